package jollyroster.core.messages;

import java.time.LocalTime;
import java.time.ZonedDateTime;

/**
 * Hours in which people are left alone, on their own clock. They may span midnight.
 *
 * @param from when they begin, inclusive
 * @param to when they end, exclusive; different from {@code from}
 */
public record QuietHours(LocalTime from, LocalTime to) {

    /** 21:00 to 08:00 (common practice). */
    public static final QuietHours DEFAULT = new QuietHours(LocalTime.of(21, 0), LocalTime.of(8, 0));

    /** @throws IllegalArgumentException if both ends are the same */
    public QuietHours {
        if (from.equals(to)) {
            throw new IllegalArgumentException("Quiet hours need two different ends");
        }
    }

    public boolean contains(LocalTime time) {
        boolean spansMidnight = from.isAfter(to);
        boolean afterFrom = !time.isBefore(from);
        boolean beforeTo = time.isBefore(to);
        return spansMidnight ? afterFrom || beforeTo : afterFrom && beforeTo;
    }

    /**
     * The start of the quiet hours in which {@code time} lies, or {@code time} itself when it lies in none.
     *
     * @param time on the recipient's clock
     */
    public ZonedDateTime startAtOrBefore(ZonedDateTime time) {
        if (!contains(time.toLocalTime())) {
            return time;
        }
        boolean beganYesterday = time.toLocalTime().isBefore(from);
        return time.toLocalDate().minusDays(beganYesterday ? 1 : 0).atTime(from).atZone(time.getZone());
    }

    /**
     * The end of the quiet hours in which {@code time} lies, or {@code time} itself when it lies in none.
     *
     * @param time on the recipient's clock
     */
    public ZonedDateTime endAtOrAfter(ZonedDateTime time) {
        if (!contains(time.toLocalTime())) {
            return time;
        }
        boolean endsTomorrow = !time.toLocalTime().isBefore(to);
        return time.toLocalDate().plusDays(endsTomorrow ? 1 : 0).atTime(to).atZone(time.getZone());
    }
}
