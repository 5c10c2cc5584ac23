package jollyroster.core.dates;

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
        Optional<TypedRange> found = TypedRange.take(cursor, setting.dayBegins());
        found.ifPresent(range -> stretches.add(stretch(cursor, range)));
        return found.isPresent();
    }

    private Stretch stretch(Cursor cursor, TypedRange range) {
        if (range.assumed()) {
            cursor.note(
                    TypedLine.Reading.DAYTIME_ASSUMED,
                    range.index(),
                    range.to() == null ? range.from().toString() : range.from() + "–" + range.to());
        }
        if (range.to() == null) {
            return cut(cursor, range.index(), range.from(), null, length(cursor, range.index()));
        }
        ask(cursor, range.index(), range.from(), range.to(), !range.said());
        return cut(cursor, range.index(), range.from(), range.to(), null);
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
}
