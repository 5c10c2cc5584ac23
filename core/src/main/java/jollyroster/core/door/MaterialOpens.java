package jollyroster.core.door;

import java.time.Instant;

/** When what is laid out for a session can be had. */
public enum MaterialOpens {
    AT_ONCE,
    FROM_START,
    AFTER;

    /** @param start of the session, as planned @param end of it */
    public boolean isOpen(Instant start, Instant end, Instant now) {
        return switch (this) {
            case AT_ONCE -> true;
            case FROM_START -> !now.isBefore(start);
            case AFTER -> !now.isBefore(end);
        };
    }
}
