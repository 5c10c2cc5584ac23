package jollyroster.core.dates;

import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The days of a typed line: dates, or a series with its start, end, count and exceptions. */
final class TypedDays {

    private static final Pattern COUNT =
            DayWords.pattern("(?:(?:x|×)\\s*(\\d{1,6})|(\\d{1,6})\\s*(?:x|×|times))(?![\\w:])");
    private static final Pattern FROM = DayWords.pattern("(?:from|starting|beginning)\\s+(?:on\\s+)?");
    private static final Pattern UNTIL = DayWords.pattern("(?:until|till|til|through|up\\s+to|to|-|–)\\s*");
    private static final Pattern EXCEPT = DayWords.pattern("(?:except|but\\s+not|not|without|skipping)\\s+(?:on\\s+)?");
    private static final Pattern IN_MONTH =
            DayWords.pattern("in\\s+(" + DayWords.MONTH + ")(?:,?\\s+(\\d{4})(?![\\d:.]))?");
    private static final Pattern ON = DayWords.pattern("on\\s+(?!the\\b)");
    private static final Pattern COMMA_OR_AND = DayWords.pattern("\\s*(?:,\\s*(?:and\\s+)?|&\\s*|and\\s+)");

    private final LocalDate today;
    private final TypedSeries series = new TypedSeries();
    private final List<TypedDate> dates = new ArrayList<>();
    private final List<TypedDate> exceptions = new ArrayList<>();
    private Optional<TypedDate> from = Optional.empty();
    private Optional<TypedDate> until = Optional.empty();
    private Optional<YearMonth> month = Optional.empty();
    private Optional<Integer> count = Optional.empty();
    private int countIndex;

    TypedDays(LocalDate today) {
        this.today = today;
    }

    boolean isEmpty() {
        return dates.isEmpty() && from.isEmpty() && !series.repeats() && !series.namesWeekdays();
    }

    /**
     * Takes what stands here if it is about days.
     *
     * @param timesRead whether times stand before it; then a second list of dates is an error
     */
    boolean read(Cursor cursor, boolean timesRead) {
        return count(cursor)
                || start(cursor)
                || end(cursor)
                || inMonth(cursor)
                || exceptions(cursor)
                || dates(cursor, timesRead)
                || series.read(cursor);
    }

    private boolean count(Cursor cursor) {
        int at = cursor.at();
        return cursor.take(COUNT)
                .map(m -> {
                    count = Optional.of(Integer.valueOf(m.group(1) != null ? m.group(1) : m.group(2)));
                    countIndex = at;
                    return true;
                })
                .orElse(false);
    }

    private boolean start(Cursor cursor) {
        Optional<TypedDate> found = dateAfter(FROM, cursor);
        found.ifPresent(date -> from = Optional.of(date));
        return found.isPresent();
    }

    private boolean end(Cursor cursor) {
        Optional<TypedDate> found = dateAfter(UNTIL, cursor);
        found.ifPresent(date -> until = Optional.of(date));
        return found.isPresent();
    }

    /** Without a year the month that is now, or the next of that name. */
    private boolean inMonth(Cursor cursor) {
        int at = cursor.at();
        Optional<Matcher> found = cursor.take(IN_MONTH);
        found.ifPresent(m -> {
            if (month.isPresent()) {
                throw cursor.unreadable(at, TypedLine.Problem.SAID_TWICE, cursor.since(at));
            }
            Month named = DayWords.month(m.group(1));
            int thisYear = today.getYear();
            int year = m.group(2) != null
                    ? Integer.parseInt(m.group(2))
                    : named.compareTo(today.getMonth()) < 0 ? thisYear + 1 : thisYear;
            if (year < thisYear || year > TypedDate.LAST_YEAR) {
                throw cursor.unreadable(at, TypedLine.Problem.YEAR_OUT_OF_RANGE, String.valueOf(year));
            }
            month = Optional.of(YearMonth.of(year, named));
        });
        return found.isPresent();
    }

    private Optional<TypedDate> dateAfter(Pattern word, Cursor cursor) {
        int at = cursor.at();
        if (cursor.take(word).isEmpty()) {
            return Optional.empty();
        }
        List<TypedDate> found = TypedDate.take(cursor, today);
        if (found.size() != 1) {
            cursor.backTo(at);
            return Optional.empty();
        }
        return Optional.of(found.get(0));
    }

    private boolean exceptions(Cursor cursor) {
        int at = cursor.at();
        if (cursor.take(EXCEPT).isEmpty()) {
            return false;
        }
        List<TypedDate> found = list(cursor);
        if (found.isEmpty()) {
            cursor.backTo(at);
        }
        exceptions.addAll(found);
        return !found.isEmpty();
    }

    private boolean dates(Cursor cursor, boolean timesRead) {
        if (!dates.isEmpty() && !timesRead) {
            return false;
        }
        int at = cursor.at();
        cursor.take(ON);
        List<TypedDate> found = list(cursor);
        if (found.isEmpty()) {
            cursor.backTo(at);
            return false;
        }
        if (!dates.isEmpty()) {
            throw cursor.unreadable(at, TypedLine.Problem.SECOND_DATE, cursor.since(at));
        }
        dates.addAll(found);
        return true;
    }

    /** Dates parted by commas or "and". A space alone does not part dates: {@code 6 Apr 10, 13:45} has times. */
    private List<TypedDate> list(Cursor cursor) {
        List<TypedDate> all = new ArrayList<>(TypedDate.take(cursor, today));
        while (!all.isEmpty()) {
            int at = cursor.at();
            if (cursor.take(COMMA_OR_AND).isEmpty()) {
                return all;
            }
            List<TypedDate> more = TypedDate.take(cursor, today);
            if (more.isEmpty()) {
                cursor.backTo(at);
                return all;
            }
            all.addAll(more);
        }
        return all;
    }

    /** The days meant, in order, at most {@code most} and one more. */
    List<LocalDate> resolve(Cursor cursor, int most) {
        if (count.isPresent() && until.isPresent()) {
            throw cursor.unreadable(countIndex, TypedLine.Problem.COUNT_AND_END, "");
        }
        if (count.isPresent() && (count.get() < 1 || count.get() > most)) {
            throw cursor.unreadable(countIndex, TypedLine.Problem.TOO_MANY_SESSIONS, String.valueOf(most));
        }
        boolean repeats = series.repeats() || series.namesWeekdays() || from.isPresent();
        if (repeats && dates.size() > 1) {
            throw cursor.unreadable(
                    dates.get(1).index(),
                    TypedLine.Problem.SECOND_DATE,
                    dates.get(1).asTyped());
        }
        return withoutExceptions(repeats ? repeated(cursor, most) : listed(cursor, most), cursor);
    }

    private List<LocalDate> listed(Cursor cursor, int most) {
        TreeSet<LocalDate> days = new TreeSet<>();
        dates.forEach(date -> days.add(date.onOrAfter(today, cursor)));
        if (until.isPresent()) {
            return eachDay(days.last(), until.get(), cursor, most);
        }
        if (count.isEmpty()) {
            return List.copyOf(days);
        }
        cursor.note(TypedLine.Reading.WEEKLY, countIndex, String.valueOf(count.get()));
        TreeSet<LocalDate> weekly = new TreeSet<>();
        days.forEach(day -> {
            for (int week = 0; week < count.get(); week++) {
                weekly.add(day.plusWeeks(week));
            }
        });
        return List.copyOf(weekly);
    }

    private List<LocalDate> eachDay(LocalDate first, TypedDate end, Cursor cursor, int most) {
        LocalDate last = lastDay(first, end, cursor);
        cursor.note(TypedLine.Reading.EACH_DAY, end.index(), "");
        return first.datesUntil(last.plusDays(1)).limit(most + 1L).toList();
    }

    private static LocalDate lastDay(LocalDate first, TypedDate end, Cursor cursor) {
        LocalDate last = end.onOrAfter(first, cursor);
        if (last.isBefore(first)) {
            throw cursor.unreadable(end.index(), TypedLine.Problem.ENDS_BEFORE_START, end.asTyped());
        }
        return last;
    }

    private List<LocalDate> repeated(Cursor cursor, int most) {
        if (month.isPresent()) {
            return inMonth(month.get(), cursor, most);
        }
        Optional<TypedDate> typedStart = from.or(() -> dates.stream().findFirst());
        LocalDate start = typedStart.map(date -> date.onOrAfter(today, cursor)).orElse(today);
        if (until.isPresent()) {
            return series.dates(start, lastDay(start, until.get(), cursor), most + 1);
        }
        if (count.isPresent()) {
            return series.dates(start, LocalDate.MAX, count.get());
        }
        if (!series.repeats()) {
            return once(start, cursor);
        }
        cursor.note(TypedLine.Reading.OPEN_ENDED, 0, String.valueOf(TypedDates.OPEN_ENDED_DATES));
        return series.dates(start, LocalDate.MAX, TypedDates.OPEN_ENDED_DATES);
    }

    private List<LocalDate> inMonth(YearMonth which, Cursor cursor, int most) {
        if (from.isPresent() || until.isPresent() || !dates.isEmpty()) {
            throw cursor.unreadable(0, TypedLine.Problem.SAID_TWICE, "");
        }
        LocalDate first = which.atDay(1).isBefore(today) ? today : which.atDay(1);
        return series.dates(first, which.atEndOfMonth(), count.orElse(most + 1));
    }

    private List<LocalDate> once(LocalDate start, Cursor cursor) {
        if (series.namesWeekdays()) {
            cursor.note(TypedLine.Reading.NEXT_SUCH_DAY, 0, "");
        }
        return series.dates(start, LocalDate.MAX, Math.max(1, series.weekdaysNamed()));
    }

    private List<LocalDate> withoutExceptions(List<LocalDate> days, Cursor cursor) {
        List<LocalDate> left = new ArrayList<>(days);
        for (TypedDate exception : exceptions) {
            LocalDate date = exception.onOrAfter(days.isEmpty() ? today : days.get(0), cursor);
            if (!left.remove(date)) {
                cursor.note(TypedLine.Reading.EXCEPTION_HITS_NOTHING, exception.index(), exception.asTyped());
            }
        }
        if (left.isEmpty()) {
            throw cursor.unreadable(0, TypedLine.Problem.NOTHING_LEFT, "");
        }
        return left;
    }
}
