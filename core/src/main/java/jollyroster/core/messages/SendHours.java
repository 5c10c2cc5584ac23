package jollyroster.core.messages;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * Hours in which messages may go, on the recipient's clock: {@code Mon–Fri 08:00–17:00}.
 *
 * @param days at least one
 * @param from inclusive
 * @param to inclusive; after {@code from}
 */
public record SendHours(Set<DayOfWeek> days, LocalTime from, LocalTime to) {

    private static final int A_WEEK = 7;

    /** @throws IllegalArgumentException without a day, or unless {@code from} is before {@code to} */
    public SendHours {
        if (days.isEmpty() || !from.isBefore(to)) {
            throw new IllegalArgumentException("Send hours need a day, and a start before their end");
        }
        days = Collections.unmodifiableSet(EnumSet.copyOf(days));
    }

    public boolean contains(ZonedDateTime time) {
        LocalTime clock = time.toLocalTime();
        return days.contains(time.getDayOfWeek()) && !clock.isBefore(from) && !clock.isAfter(to);
    }

    /** The time itself when messages may go then, else the last before it. */
    public ZonedDateTime atOrBefore(ZonedDateTime time) {
        if (contains(time)) {
            return time;
        }
        for (int i = 0; i <= A_WEEK; i++) {
            LocalDate day = time.toLocalDate().minusDays(i);
            ZonedDateTime end = day.atTime(to).atZone(time.getZone());
            if (days.contains(day.getDayOfWeek()) && !end.isAfter(time)) {
                return end;
            }
        }
        throw new IllegalStateException("Some day of a week is among the days");
    }

    /** The time itself when messages may go then, else the first after it. */
    public ZonedDateTime atOrAfter(ZonedDateTime time) {
        if (contains(time)) {
            return time;
        }
        for (int i = 0; i <= A_WEEK; i++) {
            LocalDate day = time.toLocalDate().plusDays(i);
            ZonedDateTime start = day.atTime(from).atZone(time.getZone());
            if (days.contains(day.getDayOfWeek()) && !start.isBefore(time)) {
                return start;
            }
        }
        throw new IllegalStateException("Some day of a week is among the days");
    }
}
