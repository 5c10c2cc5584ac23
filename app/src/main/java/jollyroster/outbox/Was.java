package jollyroster.outbox;

import java.time.Instant;
import jollyroster.platform.Facts;

/** When a session was to be before it was changed. */
public record Was(Instant start, Instant end) {

    static final String START = "was";
    static final String END = "was_until";

    Facts facts() {
        return Facts.of(START, start).and(END, end);
    }
}
