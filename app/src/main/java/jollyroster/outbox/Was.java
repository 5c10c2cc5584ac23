package jollyroster.outbox;

import java.time.Instant;
import jollyroster.platform.Facts;

/** When a session was to be before it was changed. */
public record Was(Instant start, Instant end) {

    static final String START = "was";
    static final String END = "was_until";

    /** Whether what people believe is how it is. */
    static boolean isAt(Instant start, Facts believed) {
        return believed.time(START).filter(start::equals).isPresent();
    }

    Facts facts() {
        return Facts.of(START, start).and(END, end);
    }
}
