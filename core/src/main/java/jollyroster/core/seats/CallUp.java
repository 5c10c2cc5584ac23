package jollyroster.core.seats;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * By when somebody who is called up must reply. The window shrinks as the start comes near: more than 72 hours before it
 * is 24 hours, from 24 to 72 hours it is 6, from 3 to 24 hours it is 1, and under 3 hours it is 15 minutes. Hours between
 * 22:00 and 07:00 on the person's clock do not count, unless they lie within 24 hours of the start. Nobody has longer than
 * until the door opens. The figures are common practice.
 *
 * <p>Example: a session starts Tue 16 Mar 2027 19:00 in Halifax. Somebody there is called up on Sun 14 Mar at 20:00, 47
 * hours before, and has 6 hours: two until 22:00, and four from 07:00, so until Mon 15 Mar 11:00.
 */
public final class CallUp {

    private static final Duration FAR = Duration.ofHours(72);
    private static final Duration NEAR = Duration.ofHours(24);
    private static final Duration LAST = Duration.ofHours(3);
    private static final LocalTime NIGHT_FALLS = LocalTime.of(22, 0);
    private static final LocalTime DAY_BREAKS = LocalTime.of(7, 0);

    private CallUp() {}

    /** How freed seats are given at a moment. */
    public enum Way {
        /** The first that fits has the seat. */
        SEAT,
        /** The first that fits is called up and the seat is held meanwhile. */
        CALL,
        /** All that could come are called up; the first to answer has the seat. */
        RACE,
        /** The line is closed; a free seat goes to whoever comes. */
        NOBODY
    }

    /**
     * How a seat that comes free now is given.
     *
     * @param doorOpens of the session, not after {@code start}
     */
    public static Way way(FreedSeats choice, Instant now, Instant start, Instant doorOpens) {
        if (choice == FreedSeats.SEAT_AT_ONCE) {
            return now.isBefore(start) ? Way.SEAT : Way.NOBODY;
        }
        if (!now.isBefore(doorOpens)) {
            return Way.NOBODY;
        }
        return Duration.between(now, start).compareTo(LAST) < 0 ? Way.RACE : Way.CALL;
    }

    /**
     * When the reply is due.
     *
     * @param zone of the person who is called up
     * @return later than {@code now} as long as the door has not opened
     */
    public static Instant replyBy(Instant now, Instant start, Instant doorOpens, ZoneId zone) {
        Instant due = afterWakingTime(now, window(Duration.between(now, start)), start.minus(NEAR), zone);
        return due.isBefore(doorOpens) ? due : doorOpens;
    }

    /** How long one has to reply, nights left out of account. */
    static Duration window(Duration toStart) {
        if (toStart.compareTo(FAR) > 0) {
            return Duration.ofHours(24);
        }
        if (toStart.compareTo(NEAR) >= 0) {
            return Duration.ofHours(6);
        }
        return toStart.compareTo(LAST) >= 0 ? Duration.ofHours(1) : Duration.ofMinutes(15);
    }

    /** @param allCounts from when on the night counts too */
    private static Instant afterWakingTime(Instant from, Duration window, Instant allCounts, ZoneId zone) {
        Instant at = from;
        Duration left = window;
        while (at.isBefore(allCounts)) {
            ZonedDateTime there = at.atZone(zone);
            if (isNight(there.toLocalTime())) {
                at = earlier(nextAt(there, DAY_BREAKS), allCounts);
                continue;
            }
            Instant stop = earlier(nextAt(there, NIGHT_FALLS), allCounts);
            Duration awake = Duration.between(at, stop);
            if (awake.compareTo(left) >= 0) {
                return at.plus(left);
            }
            left = left.minus(awake);
            at = stop;
        }
        return at.plus(left);
    }

    private static boolean isNight(LocalTime time) {
        return !time.isBefore(NIGHT_FALLS) || time.isBefore(DAY_BREAKS);
    }

    private static Instant nextAt(ZonedDateTime from, LocalTime time) {
        ZonedDateTime today = from.with(time);
        return (today.isAfter(from) ? today : from.plusDays(1).with(time)).toInstant();
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }
}
