package jollyroster.core.openhours;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.OptionalInt;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;

/**
 * What times may be picked within open hours.
 *
 * @param length how long a time lasts, elapsed
 * @param grid from one start to the next, elapsed from the beginning of the stretch
 * @param before kept free before a time; may stick out of the hours
 * @param after kept free after a time; may stick out of the hours
 * @param cutOff how long before its start a time can no longer be picked
 * @param ahead how many calendar days ahead, in the organiser's zone, times may be picked; empty for no limit
 * @param daily the most times a host gives in a day of the organiser's zone; empty for no limit
 * @param weekly the most in a week, Monday to Sunday; empty for no limit
 */
public record TimeRules(
        Duration length,
        Duration grid,
        Duration before,
        Duration after,
        Offset cutOff,
        OptionalInt ahead,
        OptionalInt daily,
        OptionalInt weekly) {

    private static final Duration SHORTEST = Duration.ofMinutes(5);
    private static final Duration LONGEST = Duration.ofHours(24);

    /** @throws IllegalArgumentException if a length or the grid is not from 5 minutes to a day, or a buffer is over a day */
    public TimeRules {
        requireBetween(SHORTEST, length);
        requireBetween(SHORTEST, grid);
        requireBetween(Duration.ZERO, before);
        requireBetween(Duration.ZERO, after);
        if (ahead.orElse(0) < 0 || daily.orElse(1) < 1 || weekly.orElse(1) < 1) {
            throw new IllegalArgumentException("Not a limit: " + ahead + ", " + daily + ", " + weekly);
        }
    }

    private static void requireBetween(Duration least, Duration some) {
        if (some.compareTo(least) < 0 || some.compareTo(LONGEST) > 0) {
            throw new IllegalArgumentException("Not from " + least + " to " + LONGEST + ": " + some);
        }
    }

    /** Times that follow one another, to be picked until they begin. */
    public static TimeRules of(Duration length) {
        return new TimeRules(
                length,
                length,
                Duration.ZERO,
                Duration.ZERO,
                Offset.none(),
                OptionalInt.empty(),
                OptionalInt.empty(),
                OptionalInt.empty());
    }

    public TimeRules every(Duration other) {
        return new TimeRules(length, other, before, after, cutOff, ahead, daily, weekly);
    }

    public TimeRules buffered(Duration first, Duration last) {
        return new TimeRules(length, grid, first, last, cutOff, ahead, daily, weekly);
    }

    public TimeRules closing(Offset other) {
        return new TimeRules(length, grid, before, after, other, ahead, daily, weekly);
    }

    public TimeRules aheadBy(int days) {
        return new TimeRules(length, grid, before, after, cutOff, OptionalInt.of(days), daily, weekly);
    }

    public TimeRules atMost(OptionalInt aDay, OptionalInt aWeek) {
        return new TimeRules(length, grid, before, after, cutOff, ahead, aDay, aWeek);
    }

    Interval padded(Instant start) {
        return new Interval(start.minus(before), start.plus(length).plus(after));
    }

    /** The last day that may be picked from; {@link LocalDate#MAX} for no limit. */
    public LocalDate lastDay(Instant now, ZoneId zone) {
        return ahead.isPresent() ? now.atZone(zone).toLocalDate().plusDays(ahead.getAsInt()) : LocalDate.MAX;
    }

    /** From when on a start can no longer be picked. */
    public Instant closes(ZonedDateTime start) {
        return cutOff.before(start).toInstant();
    }

    /** The Monday that a week is counted from. */
    public static LocalDate week(LocalDate day) {
        return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    }

    long starts(Interval stretch) {
        long room = stretch.length().minus(length).get(ChronoUnit.SECONDS);
        return room < 0 ? 0 : room / grid.toSeconds() + 1;
    }
}
