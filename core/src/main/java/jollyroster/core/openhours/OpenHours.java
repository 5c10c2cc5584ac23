package jollyroster.core.openhours;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * When people may pick a time: hours of each weekday, which may be others from a date on, and days that differ.
 *
 * <p>Example: {@code Mon 10-12; Mon 14-16 from 5 Apr; 12 Apr only 9-10} is open on Monday 29 March 2027 from 10 to 12, on
 * Monday 5 April from 14 to 16 and on Monday 12 April from 9 to 10.
 *
 * @param weekly hours that hold from a date on, until the same weekday has others; in order of weekday and date
 * @param exceptions what one day is instead
 * @param first no day before is open; {@code null} for no limit
 * @param last no day after is open; {@code null} for no limit
 */
public record OpenHours(
        List<Weekly> weekly,
        SortedMap<LocalDate, DayHours> exceptions,
        @Nullable LocalDate first,
        @Nullable LocalDate last) {

    public static final OpenHours NONE = new OpenHours(List.of(), new TreeMap<>(), null, null);

    /** The most days that may differ. */
    public static final int MOST_EXCEPTIONS = 1000;

    /** The most changes of weekly hours. */
    public static final int MOST_WEEKLY = 200;

    private static final int WORKING_DAYS = 5;

    /** @param from {@link LocalDate#MIN} for hours that hold from the start */
    public record Weekly(DayOfWeek day, LocalDate from, DayHours hours) {}

    /** Where the hours of a day come from. */
    public enum Source {
        WEEKLY,
        EXCEPTION,
        /** The day is before the first or after the last. */
        OUT_OF_RANGE
    }

    /** @throws IllegalArgumentException if a weekday has two kinds of hours from one date, or there are too many */
    public OpenHours {
        if (weekly.size() > MOST_WEEKLY || exceptions.size() > MOST_EXCEPTIONS) {
            throw new IllegalArgumentException("Too many: " + weekly.size() + ", " + exceptions.size());
        }
        weekly = weekly.stream()
                .sorted((a, b) -> a.day() == b.day()
                        ? a.from().compareTo(b.from())
                        : a.day().compareTo(b.day()))
                .toList();
        for (int i = 1; i < weekly.size(); i++) {
            if (weekly.get(i).day() == weekly.get(i - 1).day()
                    && weekly.get(i).from().equals(weekly.get(i - 1).from())) {
                throw new IllegalArgumentException("Said twice: " + weekly.get(i));
            }
        }
        exceptions = Collections.unmodifiableSortedMap(new TreeMap<>(exceptions));
    }

    public boolean isEmpty() {
        return weekly.isEmpty() && exceptions.isEmpty();
    }

    public Source source(LocalDate day) {
        boolean before = first != null && day.isBefore(first);
        boolean after = last != null && day.isAfter(last);
        return before || after ? Source.OUT_OF_RANGE : exceptions.containsKey(day) ? Source.EXCEPTION : Source.WEEKLY;
    }

    /** The hours of a day. */
    public DayHours on(LocalDate day) {
        return switch (source(day)) {
            case OUT_OF_RANGE -> DayHours.CLOSED;
            case EXCEPTION -> exceptions.get(day);
            case WEEKLY -> usual(day).map(Weekly::hours).orElse(DayHours.CLOSED);
        };
    }

    /** The hours that this weekday has at that time of the year, whatever the day itself is. */
    public Optional<Weekly> usual(LocalDate day) {
        Weekly found = null;
        for (Weekly some : weekly) {
            if (some.day() == day.getDayOfWeek() && !some.from().isAfter(day)) {
                found = some;
            }
        }
        return Optional.ofNullable(found);
    }

    /** Whether a day may have hours of its own: it does already, or not as many do as can be kept. */
    public boolean mayDiffer(LocalDate day) {
        return exceptions.containsKey(day) || exceptions.size() < MOST_EXCEPTIONS;
    }

    /** The same with a day that differs; a day that is as usual differs no more. */
    public OpenHours onlyOn(LocalDate day, DayHours hours) {
        SortedMap<LocalDate, DayHours> changed = new TreeMap<>(exceptions);
        changed.put(day, hours);
        if (hours.equals(usual(day).map(Weekly::hours).orElse(DayHours.CLOSED))) {
            changed.remove(day);
        }
        return new OpenHours(weekly, changed, first, last);
    }

    /** The same with other hours on that weekday from a day on; later changes of that weekday fall away. */
    public OpenHours from(LocalDate day, DayHours hours) {
        Map<DayOfWeek, NavigableMap<LocalDate, DayHours>> all = new HashMap<>();
        weekly.forEach(
                some -> all.computeIfAbsent(some.day(), d -> new TreeMap<>()).put(some.from(), some.hours()));
        NavigableMap<LocalDate, DayHours> those = all.computeIfAbsent(day.getDayOfWeek(), d -> new TreeMap<>());
        those.tailMap(day, true).clear();
        those.put(day, hours);
        SortedMap<LocalDate, DayHours> left = new TreeMap<>(exceptions);
        left.keySet().removeIf(d -> !d.isBefore(day) && d.getDayOfWeek() == day.getDayOfWeek());
        return new OpenHours(
                all.entrySet().stream()
                        .flatMap(e -> e.getValue().entrySet().stream()
                                .map(w -> new Weekly(e.getKey(), w.getKey(), w.getValue())))
                        .toList(),
                left,
                first,
                last);
    }

    /** The same with other hours in the place of those that a weekday has at that time of the year; days that differ stay. */
    public OpenHours instead(LocalDate day, DayHours hours) {
        LocalDate since = usual(day).map(Weekly::from).orElse(LocalDate.MIN);
        Stream<Weekly> others = weekly.stream()
                .filter(some -> some.day() != day.getDayOfWeek() || !some.from().equals(since));
        boolean said = !hours.isClosed() || !since.equals(LocalDate.MIN);
        Stream<Weekly> its = said ? Stream.of(new Weekly(day.getDayOfWeek(), since, hours)) : Stream.of();
        return new OpenHours(Stream.concat(others, its).toList(), exceptions, first, last);
    }

    /** The same with the hours that the weekday of a day has on Monday to Friday of that week. */
    public OpenHours alike(LocalDate day) {
        DayHours hours = usual(day).map(Weekly::hours).orElse(DayHours.CLOSED);
        OpenHours changed = this;
        for (int i = 0; i < WORKING_DAYS; i++) {
            changed = changed.instead(TimeRules.week(day).plusDays(i), hours);
        }
        return changed;
    }

    public OpenHours between(@Nullable LocalDate firstDay, @Nullable LocalDate lastDay) {
        return new OpenHours(weekly, exceptions, firstDay, lastDay);
    }
}
