package jollyroster.core.dates;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A start on the wall clock, perhaps with an end, as typed: {@code 10-10:30}, {@code 1:45pm}, {@code 1000-1130}, {@code noon}.
 *
 * @param index where it begins, from 0
 * @param to {@code null} when only a start is typed
 * @param said whether the typing leaves nothing open: am or pm, or two digits and minutes at both ends
 * @param assumed whether a time that could be am or pm was read inside the working hours
 */
record TypedRange(int index, LocalTime from, @Nullable LocalTime to, boolean said, boolean assumed) {

    private static final String TIME =
            "(noon|midday|midnight|\\d{1,2})(?:[:.h](\\d{2})|h)?\\s*(am|pm|a\\.m\\.|p\\.m\\.)?(?![\\w:])";
    private static final Pattern RANGE = DayWords.pattern(
            "(?:(?:at|from)\\s+)?" + TIME + "(?:\\s*(?:-|–|—|to\\b|until\\b)\\s*" + TIME + "(?!\\s*/))?");
    private static final Pattern FOUR_DIGITS =
            Pattern.compile("([01]\\d|2[0-4])([0-5]\\d)\\s*(?:-|–|—)\\s*([01]\\d|2[0-4])([0-5]\\d)(?![\\d:/-])");

    /**
     * Takes the range that stands here, if one does.
     *
     * @param dayBegins the first hour at which a time without am or pm may start, 0 to 12
     */
    static Optional<TypedRange> take(Cursor cursor, int dayBegins) {
        int at = cursor.at();
        return cursor.take(FOUR_DIGITS)
                .map(m -> fourDigits(new Reader(cursor, dayBegins), at, m))
                .or(() -> cursor.take(RANGE).map(m -> range(new Reader(cursor, dayBegins), at, m)));
    }

    /** {@code 1000-1130}, on the clock of 24 hours. */
    private static TypedRange fourDigits(Reader reader, int at, Matcher m) {
        LocalTime from = reader.time(
                new Reading(at, Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)), null, true, true));
        LocalTime to = reader.time(
                new Reading(at, Integer.parseInt(m.group(3)), Integer.parseInt(m.group(4)), null, true, true));
        return new TypedRange(at, from, to, to.isAfter(from), false);
    }

    private static TypedRange range(Reader reader, int at, Matcher m) {
        Reading start = Reading.of(at, m.group(1), m.group(2), m.group(3));
        if (m.group(4) == null) {
            LocalTime from = reader.time(start);
            return new TypedRange(at, from, null, true, reader.assumed);
        }
        Reading end = Reading.of(at, m.group(4), m.group(5), m.group(6));
        LocalTime from = reader.time(start.withHalfOf(end));
        LocalTime to = reader.endAfter(from, end);
        boolean said = start.half != null || end.half != null || start.isWhole() && end.isWhole();
        return new TypedRange(at, from, to, said, reader.assumed);
    }

    /** Decides what a reading means, and remembers whether it had to assume something. */
    private static final class Reader {
        private final Cursor cursor;
        private final int dayBegins;
        private boolean assumed;

        Reader(Cursor cursor, int dayBegins) {
            this.cursor = cursor;
            this.dayBegins = dayBegins;
        }

        /** An end of one digit is the next such time after the start; one of two ("01:00", "10:00") is meant as it stands. */
        LocalTime endAfter(LocalTime from, Reading end) {
            if (end.half != null || end.hour > 12 || end.twoDigits) {
                return time(end);
            }
            LocalTime asTyped = timeOf(end, end.hour);
            boolean halfDayLater = !asTyped.isAfter(from)
                    && end.hour < 12
                    && timeOf(end, end.hour + 12).isAfter(from);
            if (!halfDayLater) {
                return asTyped;
            }
            assumed = true;
            return timeOf(end, end.hour + 12);
        }

        LocalTime time(Reading reading) {
            if (reading.half != null) {
                if (reading.hour < 1 || reading.hour > 12) {
                    throw noSuchTime(reading);
                }
                return timeOf(reading, reading.hour % 12 + (reading.isAfternoon() ? 12 : 0));
            }
            boolean couldBeEither = reading.hour >= 1 && reading.hour < 12 && !reading.twoDigits;
            if (couldBeEither && reading.hour < dayBegins) {
                assumed = true;
                return timeOf(reading, reading.hour + 12);
            }
            return timeOf(reading, reading.hour);
        }

        private LocalTime timeOf(Reading reading, int hour) {
            try {
                return LocalTime.of(hour == 24 && reading.minute == 0 ? 0 : hour, reading.minute);
            } catch (DateTimeException none) {
                throw noSuchTime(reading);
            }
        }

        private Cursor.Unreadable noSuchTime(Reading reading) {
            return cursor.unreadable(reading.index, TypedLine.Problem.NO_SUCH_TIME, reading.asTyped());
        }
    }

    /**
     * A time as typed. An hour of two digits ("07:00") is meant as it stands.
     *
     * @param isWhole whether it says its minutes too, so that nothing about it is open
     */
    private record Reading(
            int index, int hour, int minute, @Nullable String half, boolean twoDigits, boolean isWhole) {

        static Reading of(int index, String hour, @Nullable String minute, @Nullable String half) {
            if (Character.isLetter(hour.charAt(0))) {
                return new Reading(index, hour.equalsIgnoreCase("midnight") ? 0 : 12, 0, null, true, true);
            }
            return new Reading(
                    index,
                    Integer.parseInt(hour),
                    minute == null ? 0 : Integer.parseInt(minute),
                    half == null ? null : half.replace(".", ""),
                    hour.length() == 2,
                    hour.length() == 2 && minute != null);
        }

        boolean isAfternoon() {
            return half != null && half.equalsIgnoreCase("pm");
        }

        /** "1-1:30pm" is 13:00–13:30, "11-1pm" is 11:00–13:00: a half is inherited only where it keeps the order. */
        Reading withHalfOf(Reading end) {
            boolean inherits = half == null
                    && end.half != null
                    && hour <= 12
                    && hour % 12 * 60 + minute < end.hour % 12 * 60 + end.minute;
            return inherits ? new Reading(index, hour, minute, end.half, twoDigits, isWhole) : this;
        }

        String asTyped() {
            return "%d:%02d%s".formatted(hour, minute, half == null ? "" : half);
        }
    }
}
