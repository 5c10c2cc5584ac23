package jollyroster.core.openhours;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.zone.ZoneOffsetTransition;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Interval;

/**
 * A stretch of one day on the wall clock, half-open: {@code 14:00-16:30}.
 *
 * @param from minutes after midnight, 0 to 1439
 * @param until minutes after midnight, after {@code from}; 1440 is the end of the day
 */
public record Stretch(int from, int until) implements Comparable<Stretch> {

    /** Minutes of a day on the wall clock. */
    public static final int DAY = 24 * 60;

    /** @throws IllegalArgumentException unless {@code 0 <= from < until <= 1440} */
    public Stretch {
        if (from < 0 || from >= until || until > DAY) {
            throw new IllegalArgumentException("Not a stretch of a day: " + from + "–" + until);
        }
    }

    /** @param until midnight is the end of the day */
    public static Stretch of(LocalTime from, LocalTime until) {
        int end = until.toSecondOfDay() / 60;
        return new Stretch(from.toSecondOfDay() / 60, end == 0 ? DAY : end);
    }

    public int minutes() {
        return until - from;
    }

    public boolean overlaps(Stretch other) {
        return from < other.until && other.from < until;
    }

    /** Whether this time of day is inside. */
    public boolean contains(LocalTime time) {
        int minute = time.toSecondOfDay() / 60;
        return from <= minute && minute < until;
    }

    /**
     * When it is on a day. What the clocks skip is not there: 02:00–04:00 on the night the clocks go from 02:00 to 03:00 is
     * one hour. Of a time that comes twice the first begins a stretch and the second ends it, so that 01:00–02:00 on the
     * night the clocks go back is two hours.
     *
     * @return empty when the clocks skip all of it
     */
    public Optional<Interval> on(LocalDate day, ZoneId zone) {
        Instant start = instant(day, from, zone, true);
        Instant end = instant(day, until, zone, false);
        return start.isBefore(end) ? Optional.of(new Interval(start, end)) : Optional.empty();
    }

    /** The same as long as something else goes on until a moment: of a start that comes twice, the one that is not before it. */
    Optional<Interval> on(LocalDate day, ZoneId zone, Instant busyUntil) {
        Optional<Interval> first = on(day, zone);
        if (first.isEmpty() || !first.get().start().isBefore(busyUntil)) {
            return first;
        }
        Instant again = instant(day, from, zone, false);
        Instant start = again.isBefore(busyUntil) ? busyUntil : again;
        return start.isBefore(first.get().end())
                ? Optional.of(new Interval(start, first.get().end()))
                : Optional.empty();
    }

    private static Instant instant(LocalDate day, int minute, ZoneId zone, boolean first) {
        var wall = day.atStartOfDay().plusMinutes(minute);
        List<ZoneOffset> offsets = zone.getRules().getValidOffsets(wall);
        if (offsets.isEmpty()) {
            ZoneOffsetTransition gap = zone.getRules().getTransition(wall);
            return gap.getInstant();
        }
        return wall.toInstant(offsets.get(first ? 0 : offsets.size() - 1));
    }

    @Override
    public int compareTo(Stretch other) {
        return from != other.from ? Integer.compare(from, other.from) : Integer.compare(until, other.until);
    }

    /** {@code 14:00-16:30}; the end of the day is {@code 24:00}. */
    @Override
    public String toString() {
        return "%02d:%02d-%02d:%02d".formatted(from / 60, from % 60, until / 60, until % 60);
    }
}
