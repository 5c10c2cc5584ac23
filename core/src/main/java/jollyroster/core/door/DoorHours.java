package jollyroster.core.door;

import java.time.Duration;
import java.time.Instant;
import jollyroster.core.dates.Interval;

/**
 * When one may go in.
 *
 * @param opens when the door opens
 * @param start when the session starts
 * @param end when it is planned to end
 * @param closes when the overrun is over and the room shuts
 */
public record DoorHours(Instant opens, Instant start, Instant end, Instant closes) {

    /** Common practice. */
    public static final Duration DEFAULT_OPENS_BEFORE = Duration.ofMinutes(15);

    /** Common practice. */
    public static final Duration DEFAULT_OVERRUN = Duration.ofMinutes(15);

    /** @throws IllegalArgumentException if the four are not in order */
    public DoorHours {
        if (opens.isAfter(start) || start.isAfter(end) || end.isAfter(closes)) {
            throw new IllegalArgumentException("Door hours are out of order");
        }
    }

    public static DoorHours of(Interval session, Duration opensBefore, Duration overrun) {
        return new DoorHours(
                session.start().minus(opensBefore),
                session.start(),
                session.end(),
                session.end().plus(overrun));
    }

    /** Where the session stands: the door opens at {@code opens} and shuts at {@code closes}, both sharp. */
    public Phase at(Instant now) {
        if (now.isBefore(opens)) {
            return Phase.BEFORE;
        }
        return now.isBefore(closes) ? Phase.OPEN : Phase.AFTER;
    }

    /** Before the door opens, while it is open, after it has shut. */
    public enum Phase {
        BEFORE,
        OPEN,
        AFTER
    }
}
