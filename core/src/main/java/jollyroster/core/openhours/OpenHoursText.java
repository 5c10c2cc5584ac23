package jollyroster.core.openhours;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import jollyroster.core.dates.TypedHours;
import jollyroster.core.dates.TypedLine;
import org.jspecify.annotations.Nullable;

/**
 * Open hours as text: read as people type them ({@link TypedHours}), and written so that it reads to the same.
 *
 * <p>Example: {@code Mon–Fri 14:00-16:30, 19:00-21:00}, {@code Wed 10-14}, {@code Thu only 10-14 from 5 Apr 2027}, {@code 24
 * to 26 Dec 2027 closed}, a line each.
 */
public final class OpenHoursText {

    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private static final int LONGEST_RUN = 300;

    private OpenHoursText() {}

    /**
     * Hours as read.
     *
     * @param hours of all parts that could be read
     * @param parts each with its notes or its error
     */
    public record Read(OpenHours hours, List<TypedHours.Part> parts) {

        public boolean isWrong() {
            return parts.stream().anyMatch(part -> part.error() != null);
        }
    }

    /**
     * Reads the whole text. What is said of a weekday a second time holds beside what was said before; where it is closed or
     * has the word "only", it holds instead. A date that is said twice is an error at the second.
     *
     * @param dayBegins the first hour at which a time without am or pm may start, 0 to 12
     */
    public static Read read(String text, LocalDate today, int dayBegins) {
        Map<From, DayHours> weekly = new LinkedHashMap<>();
        SortedMap<LocalDate, DayHours> exceptions = new TreeMap<>();
        List<TypedHours.Part> parts = new ArrayList<>();
        for (TypedHours.Part part : new TypedHours(today, dayBegins).read(text)) {
            parts.add(part.clause() == null ? part : taken(part, part.clause(), weekly, exceptions));
        }
        List<OpenHours.Weekly> all = weekly.entrySet().stream()
                .map(e -> new OpenHours.Weekly(e.getKey().day(), e.getKey().from(), e.getValue()))
                .toList();
        return new Read(new OpenHours(all, exceptions, null, null), parts);
    }

    private record From(DayOfWeek day, LocalDate from) {}

    private static TypedHours.Part taken(
            TypedHours.Part part,
            TypedHours.Clause clause,
            Map<From, DayHours> weekly,
            SortedMap<LocalDate, DayHours> exceptions) {
        LocalDate from = clause.from() == null ? LocalDate.MIN : clause.from();
        if (clause.dates().stream().anyMatch(exceptions::containsKey)) {
            return refused(part, TypedLine.Problem.DAY_SAID_TWICE, "");
        }
        int most = OpenHours.MOST_EXCEPTIONS;
        if (exceptions.size() + clause.dates().size() > most
                || weekly.size() + clause.weekdays().size() > OpenHours.MOST_WEEKLY
                || clause.ranges().size() > DayHours.MOST) {
            return refused(part, TypedLine.Problem.TOO_MANY_LINES, String.valueOf(most));
        }
        DayHours hours = new DayHours(clause.ranges().stream()
                .map(range -> Stretch.of(range.from(), range.until()))
                .toList());
        Map<From, DayHours> changed = new LinkedHashMap<>();
        for (DayOfWeek day : clause.weekdays()) {
            From which = new From(day, from);
            DayHours before = clause.only() ? null : weekly.get(which);
            if (before != null && before.isClosed()) {
                return refused(part, TypedLine.Problem.DAY_SAID_TWICE, "");
            }
            Optional<DayHours> both = before == null ? Optional.of(hours) : before.and(hours);
            if (both.isEmpty()) {
                return refused(part, TypedLine.Problem.HOURS_OVERLAP, "");
            }
            changed.put(which, both.get());
        }
        weekly.putAll(changed);
        clause.dates().forEach(day -> exceptions.put(day, hours));
        return part;
    }

    private static TypedHours.Part refused(TypedHours.Part part, TypedLine.Problem problem, String detail) {
        return new TypedHours.Part(
                part.line(), part.column(), null, List.of(), new TypedLine.Error(part.column(), problem, detail));
    }

    /** The hours as text, a line for each part; empty for none. The first and last day are not in it. */
    public static String write(OpenHours hours) {
        List<String> lines = new ArrayList<>();
        Map<LocalDate, Map<DayHours, List<DayOfWeek>>> weekly = new TreeMap<>();
        hours.weekly()
                .forEach(some -> weekly.computeIfAbsent(some.from(), from -> new LinkedHashMap<>())
                        .computeIfAbsent(some.hours(), same -> new ArrayList<>())
                        .add(some.day()));
        weekly.forEach((from, alike) -> alike.forEach((those, days) ->
                lines.add(named(days) + " " + those + (from.equals(LocalDate.MIN) ? "" : since(from)))));
        lines.addAll(exceptions(hours.exceptions()));
        return String.join("\n", lines);
    }

    private static String since(LocalDate from) {
        return " from " + DATE.format(from);
    }

    /** {@code Mon–Wed, Fri}; two in a row are named, three or more are a stretch. */
    private static String named(List<DayOfWeek> days) {
        List<String> runs = new ArrayList<>();
        for (int i = 0; i < days.size(); ) {
            int end = i;
            while (end + 1 < days.size()
                    && days.get(end + 1).getValue() == days.get(end).getValue() + 1) {
                end++;
            }
            if (end - i >= 2) {
                runs.add(shortName(days.get(i)) + "–" + shortName(days.get(end)));
            } else {
                days.subList(i, end + 1).forEach(day -> runs.add(shortName(day)));
            }
            i = end + 1;
        }
        return String.join(", ", runs);
    }

    private static String shortName(DayOfWeek day) {
        return day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
    }

    /** Days that follow one another and differ alike are one line. */
    private static List<String> exceptions(SortedMap<LocalDate, DayHours> exceptions) {
        List<String> lines = new ArrayList<>();
        LocalDate first = null;
        LocalDate last = null;
        for (Map.Entry<LocalDate, DayHours> day : exceptions.entrySet()) {
            boolean goesOn = last != null
                    && day.getKey().isBefore(first.plusDays(LONGEST_RUN))
                    && day.getKey().equals(last.plusDays(1))
                    && day.getValue().equals(exceptions.get(last));
            if (!goesOn) {
                add(lines, first, last, exceptions);
                first = day.getKey();
            }
            last = day.getKey();
        }
        add(lines, first, last, exceptions);
        return lines;
    }

    private static void add(
            List<String> lines,
            @Nullable LocalDate first,
            @Nullable LocalDate last,
            SortedMap<LocalDate, DayHours> exceptions) {
        if (first != null && last != null) {
            DayHours hours = exceptions.get(first);
            String days = DATE.format(first) + (first.equals(last) ? "" : " to " + DATE.format(last));
            lines.add(days + (hours.isClosed() ? " closed" : " only " + hours));
        }
    }
}
