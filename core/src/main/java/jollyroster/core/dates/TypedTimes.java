package jollyroster.core.dates;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** The times of a typed line: starts with an end, a length or neither, and stretches cut into slices. */
final class TypedTimes {

    private static final String TIME =
            "(noon|midday|midnight|\\d{1,2})(?:[:.h](\\d{2})|h)?\\s*(am|pm|a\\.m\\.|p\\.m\\.)?(?![\\w:])";
    private static final Pattern RANGE = DayWords.pattern(
            "(?:(?:at|from)\\s+)?" + TIME + "(?:\\s*(?:-|–|—|to\\b|until\\b)\\s*" + TIME + "(?!\\s*/))?");
    private static final Pattern FOUR_DIGITS =
            Pattern.compile("([01]\\d|2[0-4])([0-5]\\d)\\s*(?:-|–|—)\\s*([01]\\d|2[0-4])([0-5]\\d)(?![\\d:/-])");
    private static final String UNIT = "\\s*(min(?:ute)?s?|m|h(?:ours?|rs?)?)(?![a-z])";
    private static final Pattern LENGTH = DayWords.pattern("\\s*(?:,\\s*)?for\\s+(\\d{1,5})" + UNIT
            + "(?:\\s*(?:and\\s+)?(\\d{1,2})\\s*(?:min(?:ute)?s?|m)?(?![a-z\\d:]))?");
    private static final Pattern LENGTH_IN_BRACKETS =
            DayWords.pattern("\\s*\\(\\s*(\\d{1,5})" + UNIT + "(?:\\s*(\\d{1,2})\\s*(?:min(?:ute)?s?|m)?)?\\s*\\)");
    private static final Pattern EACH = DayWords.pattern("\\s*(?:,\\s*)?(?:every|each)\\s+(\\d{1,5})" + UNIT);
    private static final Pattern PARTS =
            DayWords.pattern("\\s*(?:,\\s*)?in\\s+(\\d{1,6})\\s*(?:parts|slices|turns)(?![a-z])");

    private static final int DAY = 24 * 60;
    private static final int LONGEST_UNASKED = 12 * 60;
    private final TypedDates.Setting setting;
    private final List<Stretch> stretches = new ArrayList<>();
    private boolean daytimeAssumed;

    TypedTimes(TypedDates.Setting setting) {
        this.setting = setting;
    }

    /**
     * A start on the wall clock with its length or its end.
     *
     * @param end {@code null} when the length is given
     * @param length {@code null} when the end is given
     * @param each {@code null} when it is not cut by length
     * @param parts 0 when it is not cut by number
     */
    private record Stretch(
            int index,
            LocalTime start,
            @Nullable LocalTime end,
            @Nullable Duration length,
            @Nullable Duration each,
            int parts) {}

    boolean isEmpty() {
        return stretches.isEmpty();
    }

    boolean read(Cursor cursor) {
        int at = cursor.at();
        Optional<Matcher> plain = cursor.take(FOUR_DIGITS);
        plain.ifPresent(m -> stretches.add(fourDigits(cursor, at, m)));
        Optional<Matcher> found = plain.isPresent() ? plain : cursor.take(RANGE);
        if (plain.isEmpty()) {
            found.ifPresent(m -> stretches.add(stretch(cursor, at, m)));
        }
        return found.isPresent();
    }

    /** {@code 1000-1130}, on the clock of 24 hours. */
    private Stretch fourDigits(Cursor cursor, int at, Matcher m) {
        LocalTime from =
                time(new Reading(at, Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)), null, true), cursor);
        LocalTime to =
                time(new Reading(at, Integer.parseInt(m.group(3)), Integer.parseInt(m.group(4)), null, true), cursor);
        ask(cursor, at, from, to, !to.isAfter(from));
        return cut(cursor, at, from, to, null);
    }

    private Stretch stretch(Cursor cursor, int at, Matcher m) {
        Reading start = Reading.of(at, m.group(1), m.group(2), m.group(3));
        if (m.group(4) == null) {
            LocalTime from = time(start, cursor);
            noteDaytime(cursor, at, from.toString());
            return cut(cursor, at, from, null, length(cursor, at));
        }
        Reading end = Reading.of(at, m.group(4), m.group(5), m.group(6));
        LocalTime from = time(start.withHalfOf(end), cursor);
        LocalTime to = endAfter(from, end, cursor);
        noteDaytime(cursor, at, from + "–" + to);
        boolean said = start.half != null || end.half != null || start.isWhole() && end.isWhole();
        ask(cursor, at, from, to, !said);
        return cut(cursor, at, from, to, null);
    }

    /**
     * What is more likely a slip than a session is not taken unread: an end that is not after its start where neither says
     * am, pm or minutes, and more than twelve hours.
     */
    private void ask(Cursor cursor, int at, LocalTime from, LocalTime to, boolean isPlain) {
        int minutes = Math.floorMod(to.toSecondOfDay() / 60 - from.toSecondOfDay() / 60 - 1, DAY) + 1;
        boolean backwards = !to.isAfter(from) && isPlain;
        boolean cut = cursor.looksAt(EACH) || cursor.looksAt(PARTS);
        if (!backwards && (cut || minutes <= LONGEST_UNASKED)) {
            return;
        }
        LocalTime later = to.plusHours(12);
        boolean halfDayLater = to.getHour() < 12 && later.isAfter(from) && !from.equals(later);
        if (halfDayLater && !to.isAfter(from)) {
            throw cursor.unreadable(at, TypedLine.Problem.ENDS_BEFORE_IT_STARTS, from + "–" + later);
        }
        throw backwards && minutes <= LONGEST_UNASKED
                ? cursor.unreadable(at, TypedLine.Problem.ENDS_BEFORE_IT_STARTS, from + "–" + to)
                : cursor.unreadable(at, TypedLine.Problem.OVER_TWELVE_HOURS, from + "/" + minutes);
    }

    /** Says how a time without am or pm was read, once for a start with its end. */
    private void noteDaytime(Cursor cursor, int at, String read) {
        if (daytimeAssumed) {
            cursor.note(TypedLine.Reading.DAYTIME_ASSUMED, at, read);
            daytimeAssumed = false;
        }
    }

    private Duration length(Cursor cursor, int at) {
        Duration typed = cursor.take(LENGTH)
                .or(() -> cursor.take(LENGTH_IN_BRACKETS))
                .map(TypedTimes::duration)
                .orElse(null);
        if (typed == null) {
            cursor.note(TypedLine.Reading.USUAL_LENGTH, at, "");
            return setting.usualLength();
        }
        if (typed.isZero() || typed.compareTo(SessionTime.LONGEST) > 0) {
            throw cursor.unreadable(at, TypedLine.Problem.TOO_LONG, "");
        }
        return typed;
    }

    private static Duration duration(Matcher m) {
        boolean hours = m.group(2).toLowerCase(java.util.Locale.ROOT).startsWith("h");
        long amount = Long.parseLong(m.group(1));
        long more = m.groupCount() > 2 && m.group(3) != null && hours ? Long.parseLong(m.group(3)) : 0;
        return Duration.ofMinutes((hours ? amount * 60 : amount) + more);
    }

    private static Stretch cut(
            Cursor cursor, int at, LocalTime from, @Nullable LocalTime to, @Nullable Duration length) {
        Duration each = cursor.take(EACH)
                .map(m -> Duration.ofMinutes(Long.parseLong(m.group(1))
                        * (m.group(2).toLowerCase(java.util.Locale.ROOT).startsWith("h") ? 60 : 1)))
                .orElse(null);
        int parts = each != null
                ? 0
                : cursor.take(PARTS).map(m -> Integer.parseInt(m.group(1))).orElse(0);
        return new Stretch(at, from, to, length, each, parts);
    }

    /** An end of one digit is the next such time after the start; one of two digits ("01:00", "10:00") is meant as it stands. */
    private LocalTime endAfter(LocalTime from, Reading end, Cursor cursor) {
        if (end.half != null || end.hour > 12 || end.twoDigits) {
            return time(end, cursor);
        }
        LocalTime asTyped = timeOf(end, end.hour, cursor);
        boolean halfDayLater = !asTyped.isAfter(from)
                && end.hour < 12
                && timeOf(end, end.hour + 12, cursor).isAfter(from);
        if (!halfDayLater) {
            return asTyped;
        }
        daytimeAssumed = true;
        return timeOf(end, end.hour + 12, cursor);
    }

    private LocalTime time(Reading reading, Cursor cursor) {
        if (reading.half != null) {
            if (reading.hour < 1 || reading.hour > 12) {
                throw cursor.unreadable(reading.index, TypedLine.Problem.NO_SUCH_TIME, reading.asTyped());
            }
            return timeOf(reading, reading.hour % 12 + (reading.isAfternoon() ? 12 : 0), cursor);
        }
        boolean couldBeEither = reading.hour >= 1 && reading.hour < 12 && !reading.twoDigits;
        if (couldBeEither && reading.hour < setting.dayBegins()) {
            daytimeAssumed = true;
            return timeOf(reading, reading.hour + 12, cursor);
        }
        return timeOf(reading, reading.hour, cursor);
    }

    private static LocalTime timeOf(Reading reading, int hour, Cursor cursor) {
        try {
            return LocalTime.of(hour == 24 && reading.minute == 0 ? 0 : hour, reading.minute);
        } catch (DateTimeException noSuchTime) {
            throw cursor.unreadable(reading.index, TypedLine.Problem.NO_SUCH_TIME, reading.asTyped());
        }
    }

    /** The sessions on one day, in order of time as typed. */
    List<SessionTime> on(LocalDate day, Cursor cursor) {
        return stretches.stream()
                .flatMap(s -> sessions(s, day, cursor).stream())
                .toList();
    }

    private List<SessionTime> sessions(Stretch stretch, LocalDate day, Cursor cursor) {
        Duration length = stretch.length() != null ? stretch.length() : elapsed(stretch, day, cursor);
        SessionTime whole = SessionTime.resolve(day.atTime(stretch.start()), setting.zone(), length);
        switch (whole.adjustment()) {
            case MOVED_OUT_OF_GAP -> cursor.note(TypedLine.Reading.MOVED_OUT_OF_GAP, stretch.index(), day.toString());
            case EARLIER_OF_TWO -> cursor.note(TypedLine.Reading.EARLIER_OF_TWO, stretch.index(), day.toString());
            case NONE -> {}
        }
        return stretch.each() == null && stretch.parts() == 0 ? List.of(whole) : slices(stretch, whole, cursor);
    }

    private static List<SessionTime> slices(Stretch stretch, SessionTime whole, Cursor cursor) {
        if (stretch.parts() > TypedDates.MOST_SESSIONS) {
            throw cursor.unreadable(
                    stretch.index(), TypedLine.Problem.TOO_MANY_SESSIONS, String.valueOf(TypedDates.MOST_SESSIONS));
        }
        long minutes = whole.length().toMinutes();
        boolean wholeMinutes = stretch.parts() == 0 || minutes % stretch.parts() == 0 && minutes >= stretch.parts();
        Duration each = stretch.each() != null
                ? stretch.each()
                : Duration.ofMinutes(wholeMinutes ? minutes / stretch.parts() : 0);
        List<SessionTime> slices = Slices.every(whole, each)
                .orElseThrow(() -> cursor.unreadable(
                        stretch.index(), TypedLine.Problem.SLICES_DO_NOT_FIT, minutes + "/" + each.toMinutes()));
        cursor.note(TypedLine.Reading.SLICED, stretch.index(), String.valueOf(slices.size()));
        return slices;
    }

    /**
     * From start to end on the wall clock, so that 00:30–04:00 ends at 04:00 also on a night on which the clocks change.
     * An end at or before the start is on the next day.
     */
    private Duration elapsed(Stretch stretch, LocalDate day, Cursor cursor) {
        LocalTime end = java.util.Objects.requireNonNull(stretch.end());
        boolean nextDay = !end.isAfter(stretch.start());
        if (nextDay) {
            cursor.note(TypedLine.Reading.ENDS_NEXT_DAY, stretch.index(), "");
        }
        LocalDate endDay = nextDay ? day.plusDays(1) : day;
        Duration real = Duration.between(instant(day, stretch.start()), instant(endDay, end));
        Duration onPaper = Duration.between(day.atTime(stretch.start()), endDay.atTime(end));
        return real.isZero() || real.isNegative() ? onPaper : real;
    }

    private ZonedDateTime instant(LocalDate day, LocalTime time) {
        ZoneId zone = setting.zone();
        return ZonedDateTime.ofLocal(day.atTime(time), zone, null);
    }

    /**
     * A time as typed. An hour of two digits ("07:00") is meant as it stands.
     *
     * @param isWhole whether it says its minutes too, so that nothing about it is open
     */
    private record Reading(
            int index, int hour, int minute, @Nullable String half, boolean twoDigits, boolean isWhole) {

        Reading(int index, int hour, int minute, @Nullable String half, boolean twoDigits) {
            this(index, hour, minute, half, twoDigits, true);
        }

        static Reading of(int index, String hour, @Nullable String minute, @Nullable String half) {
            if (Character.isLetter(hour.charAt(0))) {
                return new Reading(index, hour.equalsIgnoreCase("midnight") ? 0 : 12, 0, null, true);
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
