package jollyroster.core.dates;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.zone.ZoneOffsetTransition;

/**
 * When a session is: a wall-clock start in the session's own zone and an elapsed length.
 *
 * @param start the start in the session's zone
 * @param length elapsed time, longer than zero and at most 31 days
 * @param adjustment what had to be decided about a wall-clock time that does not exist or exists twice
 */
public record SessionTime(ZonedDateTime start, Duration length, Adjustment adjustment) {

    /** The longest session that is accepted. */
    public static final Duration LONGEST = Duration.ofDays(31);

    /** How a wall-clock start became an instant. */
    public enum Adjustment {
        /** The time exists once. */
        NONE,
        /** The time is skipped by a spring change; it was moved forward by the length of the gap. */
        MOVED_OUT_OF_GAP,
        /** The time exists twice in autumn; the earlier one was taken. */
        EARLIER_OF_TWO
    }

    /** @throws IllegalArgumentException if the length is not within zero (exclusive) and {@link #LONGEST} */
    public SessionTime {
        if (length.isZero() || length.isNegative() || length.compareTo(LONGEST) > 0) {
            throw new IllegalArgumentException("A session lasts longer than zero and at most 31 days: " + length);
        }
    }

    /**
     * Resolves a wall-clock start. In a spring gap the start moves forward by the gap: 02:30 on 14 March 2027 in
     * Halifax becomes 03:30. In an autumn overlap the earlier of the two is taken. Source: the behaviour of
     * {@link ZonedDateTime#ofLocal}, which follows the IANA rules of the zone.
     */
    public static SessionTime resolve(LocalDateTime wallClock, ZoneId zone, Duration length) {
        ZoneOffsetTransition transition = zone.getRules().getTransition(wallClock);
        Adjustment adjustment = transition == null
                ? Adjustment.NONE
                : transition.isGap() ? Adjustment.MOVED_OUT_OF_GAP : Adjustment.EARLIER_OF_TWO;
        return new SessionTime(ZonedDateTime.ofLocal(wallClock, zone, null), length, adjustment);
    }

    public ZonedDateTime end() {
        return start.plus(length);
    }

    /** The session as an interval of instants, half-open. */
    public Interval span() {
        return new Interval(start.toInstant(), end().toInstant());
    }
}
