package jollyroster.core.dates;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.Year;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A date as typed, not yet placed in a year when none was typed.
 *
 * @param index where it begins, its weekday included, from 0
 * @param weekday the weekday typed before it, or {@code null}
 * @param year {@code null} when not typed
 */
record TypedDate(
        int index,
        @Nullable DayOfWeek weekday,
        int day,
        Month month,
        @Nullable Integer year,
        String asTyped) {

    private static final int FIRST_YEAR = 2000;
    static final int LAST_YEAR = 2199;
    private static final String YEAR = "(?:,?\\s+(\\d{4})(?![\\d:.]|-\\d))?";
    private static final Pattern ISO = Pattern.compile("(\\d{4})([-/])(\\d{1,2})\\2(\\d{1,2})(?![\\d:])");
    private static final Pattern DAYS_MONTH = DayWords.pattern("(" + DayWords.NUMBER_OF_DAY + "(?:(?:" + DayWords.AND
            + "|\\s*(?:-|–|to)\\s*)" + DayWords.NUMBER_OF_DAY + ")*)\\s+(?:of\\s+)?(" + DayWords.MONTH + ")" + YEAR);
    private static final Pattern MONTH_DAY = DayWords.pattern("(" + DayWords.MONTH + ")\\s+(" + DayWords.NUMBER_OF_DAY
            + "(?:\\s*(?:-|–|to)\\s*" + DayWords.NUMBER_OF_DAY + ")?)(?![\\d:.h]|\\s*(?:am|pm|a\\.m|p\\.m))" + YEAR);
    private static final Pattern NEXT =
            DayWords.pattern("(?:next|coming|this\\s+coming)\\s+(" + DayWords.WEEKDAY + ")");
    private static final Pattern RELATIVE = DayWords.pattern("(today|tomorrow)(?![a-z])");
    private static final Pattern WEEKDAY = DayWords.pattern("(" + DayWords.WEEKDAY + "),?\\s*");
    private static final Pattern NUMERIC = Pattern.compile("\\d{1,2}/\\d{1,2}(?:/\\d{2,4})?(?![\\d:])");
    private static final Pattern DAY_OR_DASH = DayWords.pattern("(\\d{1,2})|(-|–|to)");

    /**
     * Takes the dates that stand here: one, or several days of one month. Nothing is taken when none does.
     *
     * @param today for {@code today} and {@code tomorrow}
     */
    static List<TypedDate> take(Cursor cursor, LocalDate today) {
        int start = cursor.at();
        DayOfWeek weekday =
                cursor.take(WEEKDAY).map(m -> DayWords.weekday(m.group(1))).orElse(null);
        List<TypedDate> dates = iso(cursor, start, weekday)
                .or(() -> relative(cursor, start, weekday, today))
                .or(() -> next(cursor, start, today))
                .or(() -> daysOfMonth(cursor, start, weekday))
                .or(() -> monthDay(cursor, start, weekday))
                .orElse(List.of());
        if (dates.isEmpty()) {
            cursor.take(NUMERIC).ifPresent(m -> {
                throw cursor.unreadable(start, TypedLine.Problem.AMBIGUOUS_DATE, m.group());
            });
            cursor.backTo(start);
        }
        return dates;
    }

    private static Optional<List<TypedDate>> iso(Cursor cursor, int at, @Nullable DayOfWeek weekday) {
        return cursor.take(ISO)
                .map(m -> List.of(of(
                        cursor,
                        at,
                        weekday,
                        Integer.parseInt(m.group(4)),
                        Integer.parseInt(m.group(3)),
                        Integer.valueOf(m.group(1)))));
    }

    private static TypedDate of(
            Cursor cursor, int at, @Nullable DayOfWeek weekday, int day, int month, @Nullable Integer year) {
        if (month < 1 || month > 12) {
            throw cursor.unreadable(at, TypedLine.Problem.NO_SUCH_DATE, cursor.since(at));
        }
        return new TypedDate(at, weekday, day, Month.of(month), year, cursor.since(at));
    }

    private static Optional<List<TypedDate>> relative(
            Cursor cursor, int at, @Nullable DayOfWeek weekday, LocalDate today) {
        return cursor.take(RELATIVE).map(m -> {
            LocalDate date = m.group(1).equalsIgnoreCase("today") ? today : today.plusDays(1);
            return List.of(new TypedDate(
                    at, weekday, date.getDayOfMonth(), date.getMonth(), Integer.valueOf(date.getYear()), m.group()));
        });
    }

    /** The first such day after today. */
    private static Optional<List<TypedDate>> next(Cursor cursor, int at, LocalDate today) {
        return cursor.take(NEXT).map(m -> {
            LocalDate date = today.with(TemporalAdjusters.next(DayWords.weekday(m.group(1))));
            return List.of(new TypedDate(
                    at, null, date.getDayOfMonth(), date.getMonth(), Integer.valueOf(date.getYear()), m.group()));
        });
    }

    private static Optional<List<TypedDate>> monthDay(Cursor cursor, int at, @Nullable DayOfWeek weekday) {
        return cursor.take(MONTH_DAY).map(m -> {
            int month = DayWords.month(m.group(1)).getValue();
            return days(cursor, at, m.group(2)).stream()
                    .map(day -> of(cursor, at, weekday, day, month, year(m, 3)))
                    .toList();
        });
    }

    private static Optional<List<TypedDate>> daysOfMonth(Cursor cursor, int at, @Nullable DayOfWeek weekday) {
        return cursor.take(DAYS_MONTH).map(m -> {
            int month = DayWords.month(m.group(2)).getValue();
            List<Integer> days = days(cursor, at, m.group(1));
            return days.stream()
                    .map(day -> of(cursor, at, weekday, day, month, year(m, 3)))
                    .toList();
        });
    }

    private static @Nullable Integer year(Matcher m, int group) {
        return m.group(group) == null ? null : Integer.valueOf(m.group(group));
    }

    /** {@code 6, 8-10 and 13} is 6, 8, 9, 10, 13. */
    private static List<Integer> days(Cursor cursor, int at, String text) {
        List<Integer> days = new ArrayList<>();
        boolean range = false;
        Matcher m = DAY_OR_DASH.matcher(text);
        while (m.find()) {
            if (m.group(2) != null) {
                range = true;
                continue;
            }
            int day = Integer.parseInt(m.group(1));
            int from = range ? days.get(days.size() - 1) + 1 : day;
            if (from > day) {
                throw cursor.unreadable(at, TypedLine.Problem.ENDS_BEFORE_START, text);
            }
            for (int d = from; d <= day; d++) {
                days.add(d);
            }
            range = false;
        }
        return days;
    }

    /** The date itself; without a year the first on or after {@code base}. A weekday that contradicts it is an error. */
    LocalDate onOrAfter(LocalDate base, Cursor cursor) {
        LocalDate date = year == null ? firstOnOrAfter(base, cursor) : inYear(year, cursor);
        if (weekday != null && weekday != date.getDayOfWeek()) {
            throw cursor.unreadable(
                    index,
                    TypedLine.Problem.WEEKDAY_CONTRADICTS,
                    DayWords.name(weekday) + "/" + DayWords.name(date.getDayOfWeek()));
        }
        return date;
    }

    private LocalDate inYear(int typed, Cursor cursor) {
        if (typed < FIRST_YEAR || typed > LAST_YEAR) {
            throw cursor.unreadable(index, TypedLine.Problem.YEAR_OUT_OF_RANGE, String.valueOf(typed));
        }
        try {
            return LocalDate.of(typed, month, day);
        } catch (DateTimeException noSuchDate) {
            throw cursor.unreadable(index, TypedLine.Problem.NO_SUCH_DATE, asTyped);
        }
    }

    /** 29 February without a year is the next one there is, at most eight years ahead. */
    private LocalDate firstOnOrAfter(LocalDate base, Cursor cursor) {
        for (int candidate = base.getYear(); candidate <= base.getYear() + 8; candidate++) {
            if (day >= 1 && day <= month.length(Year.isLeap(candidate))) {
                LocalDate date = LocalDate.of(candidate, month, day);
                if (!date.isBefore(base)) {
                    cursor.note(TypedLine.Reading.YEAR_ASSUMED, index, String.valueOf(candidate));
                    return date;
                }
            }
        }
        throw cursor.unreadable(index, TypedLine.Problem.NO_SUCH_DATE, day + " " + DayWords.name(month));
    }
}
