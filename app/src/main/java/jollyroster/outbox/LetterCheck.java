package jollyroster.outbox;

import java.util.Optional;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Checks what is to be written to people, before it is kept. */
@Component
public class LetterCheck {

    /** In characters. */
    public static final int LONGEST_SUBJECT = 150;

    /** In characters. */
    public static final int LONGEST_BODY = 20_000;

    private final LetterWriter writer;

    private final Letters letters;

    private final OrganisationQueries organisation;

    LetterCheck(LetterWriter writer, @Lazy Letters letters, OrganisationQueries organisation) {
        this.writer = writer;
        this.letters = letters;
        this.organisation = organisation;
    }

    /** A letter before it is sent. */
    public record Read(String subject, String html) {}

    /** A letter to somebody who is on no session, as they would read it. */
    public Read preview(LetterKind kind, Facts given) {
        return writer.preview(kind, given, organisation.organisation().name());
    }

    /** A text without problems as somebody who is registered would read it; empty when they are not. */
    public Optional<String> preview(String body, long registration, long session) {
        return letters.facts(registration, session).map(facts -> writer.preview(body, facts));
    }

    /** What is wrong, in words; empty when it can be sent. Names such as {@code {{first_name}}} must be known. */
    public Optional<String> problem(String subject, String body) {
        if (subject.isBlank() || subject.length() > LONGEST_SUBJECT) {
            return Optional.of("A subject of at most 150 characters.");
        }
        if (body.isBlank() || body.length() > LONGEST_BODY) {
            return Optional.of("A text of at most 20,000 characters.");
        }
        return writer.problem(body)
                .map(why -> why + " Known are first_name, name, title, starts, place, join_link, own_link, seats, "
                        + "place_in_line, organisation.");
    }
}
