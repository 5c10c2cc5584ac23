package jollyroster.schedule;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.TypedDates;
import jollyroster.core.dates.TypedDatesText;
import jollyroster.core.intake.Text;
import jollyroster.programme.Session;
import jollyroster.programme.SessionPlan;
import org.jspecify.annotations.Nullable;

/**
 * A session as it is typed over on its page. Numbers that are left empty follow the offering.
 *
 * @param seen the number of the session's state that was changed here; empty for whatever it is
 * @param when one date with its times, as dates are typed everywhere
 * @param hosts numbers of team members; only meant when {@code ownHosts}
 * @param words to those who are told; empty for none
 * @param sure whether the result was seen
 * @param again whether the form is to be shown once more
 */
public record SessionForm(
        String seen,
        String when,
        String seats,
        String keptBack,
        String minimum,
        String venue,
        @Nullable Boolean ownHosts,
        List<String> hosts,
        String doorMinutes,
        String overrunMinutes,
        String note,
        String scope,
        String words,
        @Nullable Boolean sure,
        @Nullable Boolean again) {

    private static final int LONGEST_WORDS = 1000;

    public SessionForm {
        seen = clean(seen);
        when = Text.oneLine(clean(when));
        seats = clean(seats);
        keptBack = clean(keptBack);
        minimum = clean(minimum);
        venue = clean(venue);
        ownHosts = Boolean.TRUE.equals(ownHosts);
        hosts = hosts == null
                ? List.of()
                : hosts.stream().filter(h -> !h.isEmpty()).distinct().toList();
        doorMinutes = clean(doorMinutes);
        overrunMinutes = clean(overrunMinutes);
        note = Text.oneLine(Objects.requireNonNullElse(note, ""));
        scope = clean(scope);
        words = wordsOf(words);
        sure = Boolean.TRUE.equals(sure);
        again = Boolean.TRUE.equals(again);
    }

    /** What an organiser says to people in their own words. */
    static String wordsOf(@Nullable String typed) {
        return Text.manyLines(Objects.requireNonNullElse(typed, ""), LONGEST_WORDS);
    }

    private static String clean(@Nullable String text) {
        return Objects.requireNonNullElse(text, "").strip();
    }

    static SessionForm of(Session session, SessionPlan plan) {
        SessionTime time = new SessionTime(session.zonedStart(), plan.length(), SessionTime.Adjustment.NONE);
        String typed =
                TypedDatesText.write(List.of(new TypedDatesText.Entry(time, OptionalInt.empty(), "", List.of())));
        return new SessionForm(
                String.valueOf(session.sequence()),
                typed.strip(),
                String.valueOf(plan.seats()),
                String.valueOf(plan.keptBack()),
                text(plan.minimum()),
                plan.venue() == null ? "" : String.valueOf(plan.venue()),
                plan.ownHosts(),
                plan.hosts().stream().map(String::valueOf).toList(),
                text(plan.doorMinutes()),
                text(plan.overrunMinutes()),
                plan.note(),
                "",
                "",
                false,
                false);
    }

    private static String text(@Nullable Integer number) {
        return number == null ? "" : String.valueOf(number);
    }

    /** The state of the session that was changed here; empty for whatever it is. */
    OptionalInt state() {
        return seen.matches("\\d{1,9}") ? OptionalInt.of(Integer.parseInt(seen)) : OptionalInt.empty();
    }

    /** What is wrong, by field. @param dates reads the date in the session's zone */
    Map<String, String> problems(TypedDates dates) {
        Map<String, String> problems = new LinkedHashMap<>();
        check(
                problems,
                "when",
                time(dates).isPresent(),
                "Write one date with its times, like Wed 14 Apr 2027 19:00-21:00.");
        check(problems, "seats", isNumber(seats, 1, 100_000), "A number from 1 to 100,000.");
        boolean kept = isNumber(keptBack, 0, 100_000)
                && (!isNumber(seats, 1, 100_000) || Integer.parseInt(keptBack) <= Integer.parseInt(seats));
        check(problems, "keptBack", kept, "No more than there are seats.");
        check(problems, "minimum", minimum.isEmpty() || isNumber(minimum, 0, 100_000), "A number, or nothing.");
        check(problems, "venue", venue.isEmpty() || isNumber(venue, 1, 999_999_999), "Choose a venue.");
        boolean known = hosts.size() <= 10 && hosts.stream().allMatch(h -> isNumber(h, 1, 999_999_999));
        check(problems, "hosts", known, "Choose at most 10 hosts.");
        check(
                problems,
                "doorMinutes",
                doorMinutes.isEmpty() || isNumber(doorMinutes, 0, 1440),
                "0 to 1,440, or nothing.");
        check(
                problems,
                "overrunMinutes",
                overrunMinutes.isEmpty() || isNumber(overrunMinutes, 0, 1440),
                "0 to 1,440, or nothing.");
        check(problems, "note", note.length() <= 300, "At most 300 characters.");
        return problems;
    }

    private static void check(Map<String, String> problems, String field, boolean fine, String problem) {
        if (!fine) {
            problems.put(field, problem);
        }
    }

    private static boolean isNumber(String text, int least, int most) {
        return text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most;
    }

    private Optional<SessionTime> time(TypedDates dates) {
        List<SessionTime> read = dates.read(when).stream()
                .flatMap(line -> line.sessions().stream())
                .toList();
        return read.size() == 1 ? Optional.of(read.get(0)) : Optional.empty();
    }

    /** What is wanted, of a form without problems. @param before what stays as it is where the form does not say */
    SessionPlan wanted(SessionPlan before, TypedDates dates) {
        SessionTime at = time(dates).orElseThrow();
        return new SessionPlan(
                at.start().toInstant(),
                at.end().toInstant(),
                Integer.parseInt(seats),
                Integer.parseInt(keptBack),
                before.cancelled(),
                venue.isEmpty() ? null : Long.valueOf(venue),
                number(doorMinutes),
                number(overrunMinutes),
                number(minimum),
                ownHosts,
                ownHosts ? hosts.stream().map(Long::valueOf).toList() : List.of(),
                note);
    }

    private static @Nullable Integer number(String text) {
        return text.isEmpty() ? null : Integer.valueOf(text);
    }
}
