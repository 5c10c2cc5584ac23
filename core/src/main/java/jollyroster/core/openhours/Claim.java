package jollyroster.core.openhours;

import java.time.Duration;
import jollyroster.core.dates.Interval;

/**
 * A stretch of time somebody or something is taken up: a session, or a busy block of an outside calendar.
 *
 * @param owner who or what is taken up, a host or a venue
 * @param id what takes it up; a session and a busy block may have the same number
 * @param kind what sort of thing takes it up
 * @param span start to end, without buffers
 * @param before minutes kept free before; zero for a busy block
 * @param after minutes kept free after; zero for a busy block
 */
public record Claim(Owner owner, long id, Kind kind, Interval span, Duration before, Duration after) {

    /** What sort of thing takes up time. */
    public enum Kind {
        SESSION,
        BUSY,
        /** A calendar that cannot be read: nobody knows what is in it. */
        UNREAD,
        /** A time that somebody is just picking. */
        HELD
    }

    /** A host or a venue. */
    public record Owner(Sort sort, long id) {
        /** What can be in one place only. */
        public enum Sort {
            HOST,
            VENUE
        }

        public static Owner host(long id) {
            return new Owner(Sort.HOST, id);
        }

        public static Owner venue(long id) {
            return new Owner(Sort.VENUE, id);
        }
    }

    /** @throws IllegalArgumentException if a buffer is negative */
    public Claim {
        if (before.isNegative() || after.isNegative()) {
            throw new IllegalArgumentException("Buffers are zero or more: " + before + ", " + after);
        }
    }

    public static Claim session(Owner owner, long id, Interval span, Duration before, Duration after) {
        return new Claim(owner, id, Kind.SESSION, span, before, after);
    }

    public static Claim busy(Owner owner, long id, Interval span) {
        return new Claim(owner, id, Kind.BUSY, span, Duration.ZERO, Duration.ZERO);
    }

    public static Claim unread(Owner owner, long id, Interval span) {
        return new Claim(owner, id, Kind.UNREAD, span, Duration.ZERO, Duration.ZERO);
    }

    public static Claim held(Owner owner, long id, Interval span, Duration before, Duration after) {
        return new Claim(owner, id, Kind.HELD, span, before, after);
    }

    /** The span with its buffers, half-open. */
    public Interval padded() {
        return new Interval(span.start().minus(before), span.end().plus(after));
    }
}
