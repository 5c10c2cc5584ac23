package jollyroster.core.messages;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * Hours in which messages may go: {@code Mon–Fri 08:00–17:00}.
 *
 * @param days at least one
 * @param from inclusive
 * @param to inclusive; after {@code from}
 * @param home the clock they are meant on; empty for the recipient's own
 */
public record SendHours(Set<DayOfWeek> days, LocalTime from, LocalTime to, Optional<ZoneId> home) {

    private static final int A_WEEK = 7;

    /** @throws IllegalArgumentException without a day, or unless {@code from} is before {@code to} */
    public SendHours {
        if (days.isEmpty() || !from.isBefore(to)) {
            throw new IllegalArgumentException("Send hours need a day, and a start before their end");
        }
        days = Collections.unmodifiableSet(EnumSet.copyOf(days));
    }

    /** On the recipient's own clock. */
    public SendHours(Set<DayOfWeek> days, LocalTime from, LocalTime to) {
        this(days, from, to, Optional.empty());
    }

    private ZonedDateTime read(ZonedDateTime time) {
        return home.map(time::withZoneSameInstant).orElse(time);
    }

    public boolean contains(ZonedDateTime when) {
        ZonedDateTime time = read(when);
        LocalTime clock = time.toLocalTime();
        return days.contains(time.getDayOfWeek()) && !clock.isBefore(from) && !clock.isAfter(to);
    }

    /** The time itself when messages may go then, else the last before it. */
    public ZonedDateTime atOrBefore(ZonedDateTime when) {
        if (contains(when)) {
            return when;
        }
        ZonedDateTime time = read(when);
        for (int i = 0; i <= A_WEEK; i++) {
            LocalDate day = time.toLocalDate().minusDays(i);
            ZonedDateTime end = day.atTime(to).atZone(time.getZone());
            if (days.contains(day.getDayOfWeek()) && !end.isAfter(time)) {
                return end.withZoneSameInstant(when.getZone());
            }
        }
        throw new IllegalStateException("Some day of a week is among the days");
    }

    /** The time itself when messages may go then, else the first after it. */
    public ZonedDateTime atOrAfter(ZonedDateTime when) {
        if (contains(when)) {
            return when;
        }
        ZonedDateTime time = read(when);
        for (int i = 0; i <= A_WEEK; i++) {
            LocalDate day = time.toLocalDate().plusDays(i);
            ZonedDateTime start = day.atTime(from).atZone(time.getZone());
            if (days.contains(day.getDayOfWeek()) && !start.isBefore(time)) {
                return start.withZoneSameInstant(when.getZone());
            }
        }
        throw new IllegalStateException("Some day of a week is among the days");
    }
}
