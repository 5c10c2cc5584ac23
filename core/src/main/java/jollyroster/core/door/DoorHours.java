package jollyroster.core.door;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
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

    /** @throws IllegalArgumentException if they are not in order; whoever ends a session by hand may close before its planned end */
    public DoorHours {
        if (opens.isAfter(start) || start.isAfter(end) || closes.isBefore(opens)) {
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

    /**
     * The same, moved by hand. Opening counts only before the planned time, as the door is open from then on anyway; closing may be before
     * or after it.
     */
    public DoorHours byHand(Optional<Instant> opened, Optional<Instant> closing) {
        Instant from = opened.filter(at -> at.isBefore(opens)).orElse(opens);
        return new DoorHours(
                from, start, end, closing.filter(at -> !at.isBefore(from)).orElse(closes));
    }

    /** From the start to the end, or to when somebody ended it by hand before that; what presence is measured against. */
    public Interval held() {
        boolean endedEarly = closes.isBefore(end) && closes.isAfter(start);
        return new Interval(start, endedEarly ? closes : end);
    }

    /** Where the session stands: the door opens at {@code opens} and shuts at {@code closes}, both sharp. */
    public Phase at(Instant now) {
        if (now.isBefore(opens)) {
            return Phase.BEFORE;
        }
        return now.isBefore(closes) ? Phase.OPEN : Phase.AFTER;
    }

    /** Until the door opens, in seconds, those begun counting whole; 0 once it is open. So a countdown ends when the door does open. */
    public long secondsUntilOpen(Instant now) {
        return Math.max(0, Duration.between(now, opens).plusMillis(999).toSeconds());
    }

    /** Before the door opens, while it is open, after it has shut. */
    public enum Phase {
        BEFORE,
        OPEN,
        AFTER
    }
}
