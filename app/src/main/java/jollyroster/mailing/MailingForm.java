package jollyroster.mailing;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import org.jspecify.annotations.Nullable;

/**
 * A letter to many as a form sends it.
 *
 * @param session of which sessions
 * @param state of which people: those in these states; none for registered
 * @param verdict how they were there; none for all
 * @param question that they answered; empty for any
 * @param is what they answered to it
 * @param at when it leaves, on the clock at home, {@code 2027-03-12T09:00}; empty for soon
 */
public record MailingForm(
        @Nullable List<Long> session,
        @Nullable List<String> state,
        @Nullable List<String> verdict,
        @Nullable String question,
        @Nullable String is,
        @Nullable String subject,
        @Nullable String body,
        @Nullable String at) {

    private static final int LONGEST = 200;

    public List<Long> sessions() {
        return session == null ? List.of() : session.stream().distinct().toList();
    }

    public Set<RegistrationState> states() {
        List<String> wanted = state == null ? List.of() : state;
        Set<RegistrationState> states = Stream.of(RegistrationState.values())
                .filter(known -> wanted.contains(known.name()))
                .collect(Collectors.toSet());
        return states.isEmpty() ? Set.of(RegistrationState.REGISTERED) : states;
    }

    public Set<Verdict> verdicts() {
        List<String> wanted = verdict == null ? List.of() : verdict;
        return Stream.of(Verdict.values())
                .filter(known -> wanted.contains(known.name()))
                .collect(Collectors.toSet());
    }

    public String asked() {
        return Text.oneLine(question == null ? "" : question, LONGEST);
    }

    public String answered() {
        return Text.oneLine(is == null ? "" : is, LONGEST);
    }

    public String line() {
        return Text.oneLine(subject == null ? "" : subject, LONGEST);
    }

    public String text() {
        return Text.manyLines(body == null ? "" : body);
    }

    public String when() {
        return at == null ? "" : at.strip();
    }
}
