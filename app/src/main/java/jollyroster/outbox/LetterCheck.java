package jollyroster.outbox;

import java.util.Optional;
import org.springframework.stereotype.Component;

/** Checks what is to be written to people, before it is kept. */
@Component
public class LetterCheck {

    /** In characters. */
    public static final int LONGEST_SUBJECT = 150;

    /** In characters. */
    public static final int LONGEST_BODY = 20_000;

    private final LetterWriter writer;

    LetterCheck(LetterWriter writer) {
        this.writer = writer;
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
                .map(why ->
                        "A name between {{ }} is not known, or not closed. Known are first_name, name, title, starts, "
                                + "place, join_link, own_link, seats, place_in_line, organisation. (" + why + ")");
    }
}
