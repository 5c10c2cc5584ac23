package jollyroster.core.dates;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads open hours as people type them, in parts that are ended by a semicolon or a line: {@code Mon–Fri 14:00-16:30,
 * 19:00-21:00; Wed 10-14; Mon 9-12 from 5 Apr; 11 Jan only 19-21; 24 to 26 Dec closed}.
 *
 * <p>A part is weekdays with their hours, perhaps from a date on, or dates with hours that hold on them only. Nothing is
 * dropped silently: every part that is not blank is a clause or an error with its line and column. What parts say of each
 * other is not looked at here.
 */
public final class TypedHours {

    /** The most parts read at once. */
    public static final int MOST_PARTS = 1500;

    private static final int LONGEST_RUN = 366;
    private static final Pattern EVERY = DayWords.pattern("(?:every|each|on)\\s+");
    private static final Pattern ALL_DAYS = DayWords.pattern("(daily|every\\s+day|weekdays|weekends)(?![a-z])");
    private static final Pattern WEEKDAYS = DayWords.pattern(TypedSeries.WEEKDAYS);
    private static final Pattern FROM = DayWords.pattern("(?:from|starting|beginning)\\s+(?:on\\s+)?");
    private static final Pattern UNTIL = DayWords.pattern("(?:until|through|to|-|–)\\s*");
    private static final Pattern COMMA_OR_AND = DayWords.pattern("\\s*(?:,\\s*(?:and\\s+)?|&\\s*|and\\s+)");
    private static final Pattern ONLY = DayWords.pattern("(?:only|just)(?![a-z])");
    private static final Pattern CLOSED = DayWords.pattern("(?:closed|none|off)(?![a-z])");

    private final LocalDate today;
    private final int dayBegins;

    /** @param dayBegins the first hour at which a time without am or pm may start, 0 to 12 */
    public TypedHours(LocalDate today, int dayBegins) {
        this.today = today;
        this.dayBegins = dayBegins;
    }

    /** Hours on the wall clock, half-open. @param until midnight is the end of the day */
    public record Range(LocalTime from, LocalTime until) {

        boolean overlaps(Range other) {
            return from.isBefore(other.end()) && other.from.isBefore(end());
        }

        private LocalTime end() {
            return until.equals(LocalTime.MIDNIGHT) ? LocalTime.MAX : until;
        }
    }

    /**
     * What one part says. Either weekdays or dates are named.
     *
     * @param from the first day on which the weekdays have these hours; {@code null} for always
     * @param ranges in the order typed, none for closed
     * @param only whether it holds instead of what was said of the same weekdays before, not beside it
     */
    public record Clause(
            Set<DayOfWeek> weekdays,
            Set<LocalDate> dates,
            @Nullable LocalDate from,
            List<Range> ranges,
            boolean only) {}

    /**
     * A part as it was read.
     *
     * @param line from 1
     * @param column from 1, where the part begins
     * @param clause {@code null} when there is an error
     * @param error {@code null} when it was read
     */
    public record Part(
            int line,
            int column,
            @Nullable Clause clause,
            List<TypedLine.Note> notes,
            TypedLine.@Nullable Error error) {}

    /** Reads the whole text. */
    public List<Part> read(String text) {
        List<Part> parts = new ArrayList<>();
        List<String> lines = text.lines().limit(MOST_PARTS + 1L).toList();
        for (int line = 0; line < lines.size() && parts.size() <= MOST_PARTS; line++) {
            int begins = 0;
            for (String part : lines.get(line).split(";", -1)) {
                if (!part.isBlank()) {
                    parts.add(
                            parts.size() < MOST_PARTS
                                    ? read(line + 1, begins, part)
                                    : wrong(line + 1, begins, TypedLine.Problem.TOO_MANY_LINES, "" + MOST_PARTS));
                }
                begins += part.length() + 1;
            }
        }
        return parts.subList(0, Math.min(parts.size(), MOST_PARTS + 1));
    }

    private static Part wrong(int line, int begins, TypedLine.Problem problem, String detail) {
        return new Part(line, begins + 1, null, List.of(), new TypedLine.Error(begins + 1, problem, detail));
    }

    private Part read(int line, int begins, String part) {
        if (part.length() > TypedDates.LONGEST_LINE) {
            return wrong(line, begins, TypedLine.Problem.LINE_TOO_LONG, "" + TypedDates.LONGEST_LINE);
        }
        Cursor cursor = new Cursor(part);
        cursor.skipGap();
        int column = begins + cursor.at() + 1;
        try {
            Clause clause = new OnePart(cursor).read();
            List<TypedLine.Note> notes = cursor.notes().stream()
                    .map(n -> new TypedLine.Note(n.reading(), begins + n.column(), n.detail()))
                    .toList();
            return new Part(line, column, clause, notes, null);
        } catch (Cursor.Unreadable u) {
            return new Part(line, column, null, List.of(), new TypedLine.Error(begins + u.column, u.problem, u.detail));
        }
    }

    /** The reading of one part. */
    private final class OnePart {
        private final Cursor cursor;
        private final Set<DayOfWeek> weekdays = EnumSet.noneOf(DayOfWeek.class);
        private final Set<LocalDate> dates = new TreeSet<>();
        private final List<Range> ranges = new ArrayList<>();
        private @Nullable LocalDate from;
        private boolean closed;
        private boolean only;

        OnePart(Cursor cursor) {
            this.cursor = cursor;
        }

        Clause read() {
            int start = cursor.at();
            if (!dates() && !weekdays()) {
                throw cursor.unreadable(start, TypedLine.Problem.NO_DATE, cursor.rest());
            }
            cursor.skipGap();
            while (!cursor.atEnd()) {
                if (!from() && !only() && !closed() && !range()) {
                    throw cursor.unreadable(cursor.at(), TypedLine.Problem.NOT_UNDERSTOOD, cursor.rest());
                }
                cursor.skipGap();
            }
            if (closed == !ranges.isEmpty()) {
                TypedLine.Problem problem = closed ? TypedLine.Problem.SAID_TWICE : TypedLine.Problem.NO_TIME;
                throw cursor.unreadable(cursor.at(), problem, "");
            }
            return new Clause(weekdays, dates, from, List.copyOf(ranges), only || closed);
        }

        private boolean dates() {
            int start = cursor.at();
            cursor.take(EVERY);
            List<TypedDate> some = TypedDate.take(cursor, today);
            if (some.isEmpty()) {
                cursor.backTo(start);
                return false;
            }
            some.forEach(date -> dates.add(date.onOrAfter(today, cursor)));
            int at = cursor.at();
            cursor.skipGap();
            if (cursor.take(UNTIL).isPresent() && run(at)) {
                return true;
            }
            cursor.backTo(at);
            while (cursor.take(COMMA_OR_AND).isPresent()) {
                List<TypedDate> more = TypedDate.take(cursor, today);
                if (more.isEmpty()) {
                    cursor.backTo(at);
                    return true;
                }
                more.forEach(date -> dates.add(date.onOrAfter(today, cursor)));
                at = cursor.at();
            }
            return true;
        }

        /** {@code 24 Dec to 2 Jan}: every day from the last date named to this one. */
        private boolean run(int at) {
            List<TypedDate> end = TypedDate.take(cursor, today);
            if (end.size() != 1) {
                return false;
            }
            LocalDate first = ((TreeSet<LocalDate>) dates).last();
            LocalDate last = end.get(0).onOrAfter(first, cursor);
            if (last.isAfter(first.plusDays(LONGEST_RUN))) {
                throw cursor.unreadable(at, TypedLine.Problem.TOO_LONG, "");
            }
            if (last.isBefore(first)) {
                throw cursor.unreadable(at, TypedLine.Problem.ENDS_BEFORE_START, cursor.since(at));
            }
            first.datesUntil(last.plusDays(1)).forEach(dates::add);
            return true;
        }

        private boolean weekdays() {
            Optional<String> all = cursor.take(ALL_DAYS).map(m -> m.group(1).toLowerCase(java.util.Locale.ROOT));
            if (all.isPresent()) {
                weekdays.addAll(
                        all.get().equals("weekends")
                                ? EnumSet.range(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY)
                                : all.get().equals("weekdays")
                                        ? EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY)
                                        : EnumSet.allOf(DayOfWeek.class));
                return true;
            }
            int start = cursor.at();
            cursor.take(EVERY);
            Optional<Set<DayOfWeek>> named = cursor.take(WEEKDAYS).map(m -> TypedSeries.weekdays(m.group()));
            named.ifPresentOrElse(weekdays::addAll, () -> cursor.backTo(start));
            return named.isPresent();
        }

        private boolean from() {
            int start = cursor.at();
            if (cursor.take(FROM).isEmpty()) {
                return false;
            }
            List<TypedDate> some = TypedDate.take(cursor, today);
            if (some.size() != 1) {
                cursor.backTo(start);
                return false;
            }
            if (from != null || weekdays.isEmpty()) {
                throw cursor.unreadable(start, TypedLine.Problem.SAID_TWICE, cursor.since(start));
            }
            from = some.get(0).onOrAfter(today, cursor);
            return true;
        }

        private boolean only() {
            boolean found = cursor.take(ONLY).isPresent();
            only |= found;
            return found;
        }

        private boolean closed() {
            boolean found = cursor.take(CLOSED).isPresent();
            closed |= found;
            return found;
        }

        private boolean range() {
            Optional<TypedRange> found = TypedRange.take(cursor, dayBegins);
            found.ifPresent(this::add);
            return found.isPresent();
        }

        /** An end in the morning after a start in the afternoon is most likely one in the evening. */
        private Cursor.Unreadable backwards(int index, Range range) {
            LocalTime later = range.until().plusHours(12);
            return range.until().getHour() < 12 && later.isAfter(range.from())
                    ? cursor.unreadable(index, TypedLine.Problem.ENDS_BEFORE_IT_STARTS, range.from() + "–" + later)
                    : cursor.unreadable(
                            index,
                            TypedLine.Problem.ENDS_BEFORE_START,
                            range.until().toString());
        }

        private void add(TypedRange typed) {
            if (typed.to() == null) {
                throw cursor.unreadable(typed.index(), TypedLine.Problem.NO_END, cursor.since(typed.index()));
            }
            Range range = new Range(typed.from(), typed.to());
            if (!range.from().isBefore(range.end())) {
                throw backwards(typed.index(), range);
            }
            if (ranges.stream().anyMatch(range::overlaps)) {
                throw cursor.unreadable(typed.index(), TypedLine.Problem.HOURS_OVERLAP, cursor.since(typed.index()));
            }
            if (typed.assumed()) {
                cursor.note(TypedLine.Reading.DAYTIME_ASSUMED, typed.index(), range.from() + "–" + range.until());
            }
            ranges.add(range);
        }
    }
}
