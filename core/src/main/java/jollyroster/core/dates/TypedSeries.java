package jollyroster.core.dates;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The repeating part of a typed line: every so often, and on which days. */
final class TypedSeries {

    private static final String ONE_WEEKDAY = DayWords.WEEKDAY;
    static final String WEEKDAYS =
            DayWords.WEEKDAYS_IN_A_ROW + "(?:" + DayWords.AND + "(?:every\\s+)?" + DayWords.WEEKDAYS_IN_A_ROW + ")*";
    private static final Pattern NTH_OF_MONTH = DayWords.pattern(
            "(?:(?:on\\s+)?(?:every|each|the)\\s+)?(" + DayWords.ORDINAL + "(?:" + DayWords.AND + DayWords.ORDINAL
                    + ")*)\\s+(" + ONE_WEEKDAY + ")(?:\\s+(?:of|in)\\s+(?:the|each|every)\\s+month)?");
    private static final Pattern DAY_OF_MONTH = DayWords.pattern("on\\s+the\\s+(" + DayWords.NUMBER_OF_DAY
            + ")(?![\\w:.]|\\s+(?:of\\s+)?" + DayWords.MONTH + ")(?:\\s+of\\s+(?:the|each|every)\\s+month)?");
    private static final Pattern LAST_DAY =
            DayWords.pattern("on\\s+the\\s+last\\s+day(?:\\s+of\\s+(?:the|each|every)\\s+month)?(?![a-z])");
    private static final Pattern EVERY_UNIT =
            DayWords.pattern("(?:every|each)\\s+(?:(other|second|2nd|third|3rd|\\d{1,2})\\s+)?"
                    + "(day|weekday|weekend|week|month|year)s?(?![a-z])");
    private static final Pattern EVERY_WEEKDAYS = DayWords.pattern(
            "(?:every|each)\\s+(?:(other|second|2nd|third|3rd|\\d{1,2}(?:nd|rd|th))\\s+)?(" + WEEKDAYS + ")");
    private static final Pattern ADVERB =
            DayWords.pattern("(daily|weekly|fortnightly|monthly|yearly|weekdays|weekends)(?![a-z])");
    private static final Pattern ON_WEEKDAYS = DayWords.pattern("(?:on\\s+)?(" + WEEKDAYS + ")");
    private static final Pattern IN_A_ROW =
            DayWords.pattern("(" + ONE_WEEKDAY + ")(?:\\s*(?:-|–|—|to\\b)\\s*(" + ONE_WEEKDAY + "))?");
    private static final Pattern AN_ORDINAL = DayWords.pattern(DayWords.ORDINAL);

    private String frequency = "";
    private int interval = 1;
    private final Set<DayOfWeek> weekdays = EnumSet.noneOf(DayOfWeek.class);
    private final List<String> daysOfMonth = new ArrayList<>();

    /** Takes what stands here if it says how a series repeats. */
    boolean read(Cursor cursor) {
        return nthOfMonth(cursor)
                || dayOfMonth(cursor)
                || everyUnit(cursor)
                || everyWeekdays(cursor)
                || adverb(cursor)
                || onWeekdays(cursor);
    }

    private boolean nthOfMonth(Cursor cursor) {
        return cursor.take(NTH_OF_MONTH)
                .map(m -> {
                    repeat(cursor, "MONTHLY", interval);
                    String day = DayWords.code(DayWords.weekday(m.group(2)));
                    daysOfMonth.add(AN_ORDINAL
                            .matcher(m.group(1))
                            .results()
                            .map(nth -> DayWords.ordinal(nth.group()) + day)
                            .collect(Collectors.joining(",", "BYDAY=", "")));
                    return true;
                })
                .orElse(false);
    }

    private boolean dayOfMonth(Cursor cursor) {
        boolean last = cursor.take(LAST_DAY).isPresent();
        if (!last && !cursor.looksAt(DAY_OF_MONTH)) {
            return false;
        }
        repeat(cursor, "MONTHLY", interval);
        daysOfMonth.add("BYMONTHDAY="
                + (last
                        ? -1
                        : DayWords.leadingNumber(
                                cursor.take(DAY_OF_MONTH).orElseThrow().group(1))));
        return true;
    }

    private boolean everyUnit(Cursor cursor) {
        return cursor.take(EVERY_UNIT)
                .map(m -> {
                    unit(cursor, m.group(2).toLowerCase(Locale.ROOT), interval(m.group(1)));
                    return true;
                })
                .orElse(false);
    }

    private void unit(Cursor cursor, String unit, int every) {
        switch (unit) {
            case "day" -> repeat(cursor, "DAILY", every);
            case "weekday" -> {
                repeat(cursor, "WEEKLY", every);
                weekdays.addAll(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY));
            }
            case "weekend" -> {
                repeat(cursor, "WEEKLY", every);
                weekdays.addAll(EnumSet.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY));
            }
            case "week" -> repeat(cursor, "WEEKLY", every);
            case "month" -> repeat(cursor, "MONTHLY", every);
            default -> repeat(cursor, "YEARLY", every);
        }
    }

    private boolean everyWeekdays(Cursor cursor) {
        return cursor.take(EVERY_WEEKDAYS)
                .map(m -> {
                    repeat(cursor, "WEEKLY", interval(m.group(1)));
                    weekdays.addAll(weekdays(m.group(2)));
                    return true;
                })
                .orElse(false);
    }

    private boolean adverb(Cursor cursor) {
        return cursor.take(ADVERB)
                .map(m -> {
                    switch (m.group(1).toLowerCase(Locale.ROOT)) {
                        case "daily" -> repeat(cursor, "DAILY", 1);
                        case "fortnightly" -> repeat(cursor, "WEEKLY", 2);
                        case "monthly" -> repeat(cursor, "MONTHLY", 1);
                        case "yearly" -> repeat(cursor, "YEARLY", 1);
                        case "weekdays" -> unit(cursor, "weekday", 1);
                        case "weekends" -> unit(cursor, "weekend", 1);
                        default -> repeat(cursor, "WEEKLY", 1);
                    }
                    return true;
                })
                .orElse(false);
    }

    private boolean onWeekdays(Cursor cursor) {
        return cursor.take(ON_WEEKDAYS)
                .map(m -> {
                    weekdays.addAll(weekdays(m.group(1)));
                    return true;
                })
                .orElse(false);
    }

    private static int interval(@org.jspecify.annotations.Nullable String word) {
        if (word == null) {
            return 1;
        }
        return switch (word.toLowerCase(Locale.ROOT)) {
            case "other", "second" -> 2;
            case "third" -> 3;
            default -> Math.max(1, DayWords.leadingNumber(word));
        };
    }

    /** The days that words like {@code Mon–Wed and Fri} name. */
    static Set<DayOfWeek> weekdays(String words) {
        Set<DayOfWeek> weekdays = EnumSet.noneOf(DayOfWeek.class);
        Matcher m = IN_A_ROW.matcher(words);
        while (m.find()) {
            DayOfWeek first = DayWords.weekday(m.group(1));
            DayOfWeek last = m.group(2) == null ? first : DayWords.weekday(m.group(2));
            for (DayOfWeek day = first; day != last; day = day.plus(1)) {
                weekdays.add(day);
            }
            weekdays.add(last);
        }
        return weekdays;
    }

    /** A second word on how to repeat may only say the same again. */
    private void repeat(Cursor cursor, String wanted, int every) {
        if (!frequency.isEmpty() && !frequency.equals(wanted)) {
            throw cursor.unreadable(cursor.at() - 1, TypedLine.Problem.SAID_TWICE, "");
        }
        frequency = wanted;
        interval = Math.max(interval, every);
    }

    /** Whether it was said that something repeats; bare weekdays do not say so. */
    boolean repeats() {
        return !frequency.isEmpty();
    }

    boolean namesWeekdays() {
        return !weekdays.isEmpty();
    }

    int weekdaysNamed() {
        return weekdays.size();
    }

    /** Up to {@code most} dates on or after {@code from}, none after {@code until}. */
    List<LocalDate> dates(LocalDate from, LocalDate until, int most) {
        String byDay = weekdays.isEmpty()
                ? ""
                : ";BYDAY=" + weekdays.stream().map(DayWords::code).collect(Collectors.joining(","));
        String byMonth = daysOfMonth.isEmpty() ? "" : ";" + String.join(";", daysOfMonth);
        String rule =
                "FREQ=" + (frequency.isEmpty() ? "WEEKLY" : frequency) + ";INTERVAL=" + interval + byDay + byMonth;
        LocalDate first = weekdays.isEmpty() ? from : firstOfWeekdays(from);
        return Recurrence.of(rule, ZoneOffset.UTC)
                .map(r -> r.expand(first.atStartOfDay(), most).dates().stream()
                        .map(at -> at.toLocalDate())
                        .takeWhile(date -> !date.isAfter(until))
                        .toList())
                .orElse(List.of());
    }

    /** "Every other week" counts from the week of the first date, not from that of {@code from}. */
    private LocalDate firstOfWeekdays(LocalDate from) {
        LocalDate date = from;
        while (!weekdays.contains(date.getDayOfWeek())) {
            date = date.plusDays(1);
        }
        return date;
    }
}
