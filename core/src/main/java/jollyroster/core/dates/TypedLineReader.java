package jollyroster.core.dates;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Month;
import java.time.ZoneId;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads one typed line from left to right: an optional weekday, a date, then times parted by commas. */
final class TypedLineReader {

    private static final Pattern GAP = Pattern.compile("[\\s,;]*");
    private static final Pattern WEEKDAY =
            Pattern.compile("(mon|tue|wed|thu|fri|sat|sun)[a-z]*\\.?", Pattern.CASE_INSENSITIVE);
    private static final Pattern ISO = Pattern.compile("(\\d{4})-(\\d{1,2})-(\\d{1,2})(?![\\d:])");
    private static final String MONTHS = "(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\\.?";
    private static final Pattern DAY_MONTH = Pattern.compile(
            "(\\d{1,2})(?:st|nd|rd|th)?\\s+(?:of\\s+)?" + MONTHS + "(?:,?\\s+(\\d{4})(?![\\d:.]))?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern TIMES = Pattern.compile(
            "(?:at\\s+)?(\\d{1,2})(?:[:.h](\\d{2}))?\\s*(am|pm)?"
                    + "(?:\\s*(?:-|–|—|to|until)\\s*(\\d{1,2})(?:[:.h](\\d{2}))?\\s*(am|pm)?)?(?![\\w:])",
            Pattern.CASE_INSENSITIVE);
    private static final int FIRST_YEAR = 2000;
    private static final int LAST_YEAR = 2199;

    private final int number;
    private final String line;
    private final LocalDate today;
    private final ZoneId zone;
    private final Duration usualLength;
    private final Set<TypedLine.Note> notes = EnumSet.noneOf(TypedLine.Note.class);
    private int at;

    TypedLineReader(int number, String line, LocalDate today, ZoneId zone, Duration usualLength) {
        this.number = number;
        this.line = line;
        this.today = today;
        this.zone = zone;
        this.usualLength = usualLength;
    }

    TypedLine read() {
        try {
            LocalDate date = date();
            List<SessionTime> sessions = new ArrayList<>();
            skipGap();
            do {
                sessions.add(session(date));
                skipGap();
            } while (at < line.length());
            return new TypedLine(number, sessions, notes, null);
        } catch (Unreadable unreadable) {
            return TypedLine.wrong(number, unreadable.column, unreadable.problem, unreadable.detail);
        }
    }

    private LocalDate date() {
        skipGap();
        int weekdayAt = at;
        Optional<DayOfWeek> weekday = take(WEEKDAY).map(m -> dayOfWeek(m.group(1)));
        skipGap();
        int dateAt = at;
        Optional<Matcher> iso = take(ISO);
        LocalDate date = iso.isPresent()
                ? dated(dateAt, number(iso.get(), 1), number(iso.get(), 2), number(iso.get(), 3))
                : take(DAY_MONTH)
                        .map(m -> dayAndMonth(dateAt, m))
                        .orElseThrow(() -> unreadable(dateAt, TypedLine.Problem.NO_DATE, rest()));
        weekday.filter(day -> day != date.getDayOfWeek()).ifPresent(day -> {
            throw unreadable(
                    weekdayAt, TypedLine.Problem.WEEKDAY_CONTRADICTS, name(day) + "/" + name(date.getDayOfWeek()));
        });
        return date;
    }

    private LocalDate dayAndMonth(int column, Matcher m) {
        Month month = month(m.group(2));
        if (m.group(3) != null) {
            return dated(column, number(m, 3), month.getValue(), number(m, 1));
        }
        notes.add(TypedLine.Note.YEAR_ASSUMED);
        return firstOnOrAfterToday(column, month, number(m, 1));
    }

    /** 29 February without a year is the next one there is, at most eight years ahead. */
    private LocalDate firstOnOrAfterToday(int column, Month month, int day) {
        for (int year = today.getYear(); year <= today.getYear() + 8; year++) {
            if (day >= 1 && day <= month.length(java.time.Year.isLeap(year))) {
                LocalDate date = LocalDate.of(year, month, day);
                if (!date.isBefore(today)) {
                    return date;
                }
            }
        }
        throw unreadable(column, TypedLine.Problem.NO_SUCH_DATE, day + " " + name(month));
    }

    private LocalDate dated(int column, int year, int month, int day) {
        if (year < FIRST_YEAR || year > LAST_YEAR) {
            throw unreadable(column, TypedLine.Problem.YEAR_OUT_OF_RANGE, String.valueOf(year));
        }
        try {
            return LocalDate.of(year, month, day);
        } catch (DateTimeException noSuchDate) {
            throw unreadable(
                    column,
                    TypedLine.Problem.NO_SUCH_DATE,
                    line.substring(column, at).strip());
        }
    }

    private SessionTime session(LocalDate date) {
        int column = at;
        Matcher m = take(TIMES)
                .orElseThrow(() -> at >= line.length()
                        ? unreadable(column, TypedLine.Problem.NO_TIME, "")
                        : unreadable(column, TypedLine.Problem.NOT_UNDERSTOOD, rest()));
        Reading start = new Reading(column, m.group(1), m.group(2), m.group(3));
        if (m.group(4) == null) {
            notes.add(TypedLine.Note.USUAL_LENGTH);
            return resolve(date, time(start), usualLength);
        }
        Reading end = new Reading(column, m.group(4), m.group(5), m.group(6));
        LocalTime from = time(inheritHalf(start, end));
        LocalTime to = endAfter(from, end);
        return resolve(date, from, elapsed(from, to));
    }

    /** "1-1:30pm" is 13:00–13:30; "11-1pm" is 11:00–13:00: the half is inherited only where it keeps the order. */
    private Reading inheritHalf(Reading start, Reading end) {
        if (start.half == null
                && end.half != null
                && start.hour <= 12
                && start.hour % 12 * 60 + start.minute < end.hour % 12 * 60 + end.minute) {
            return new Reading(start.column, start.hour, start.minute, end.half);
        }
        return start;
    }

    private LocalTime endAfter(LocalTime from, Reading end) {
        if (end.half == null && end.hour <= 12) {
            LocalTime asTyped = timeOf(end, end.hour);
            boolean halfDayLater = !asTyped.isAfter(from)
                    && end.hour < 12
                    && timeOf(end, end.hour + 12).isAfter(from);
            if (halfDayLater) {
                notes.add(TypedLine.Note.DAYTIME_ASSUMED);
                return timeOf(end, end.hour + 12);
            }
            return asTyped;
        }
        return time(end);
    }

    private LocalTime time(Reading reading) {
        if (reading.half != null) {
            if (reading.hour < 1 || reading.hour > 12) {
                throw unreadable(reading.column, TypedLine.Problem.NO_SUCH_TIME, reading.asTyped());
            }
            return timeOf(reading, reading.hour % 12 + (reading.half.equalsIgnoreCase("pm") ? 12 : 0));
        }
        if (reading.hour >= 1 && reading.hour < 8 && !reading.twoDigits) {
            notes.add(TypedLine.Note.DAYTIME_ASSUMED);
            return timeOf(reading, reading.hour + 12);
        }
        return timeOf(reading, reading.hour);
    }

    private LocalTime timeOf(Reading reading, int hour) {
        try {
            return LocalTime.of(hour == 24 && reading.minute == 0 ? 0 : hour, reading.minute);
        } catch (DateTimeException noSuchTime) {
            throw unreadable(reading.column, TypedLine.Problem.NO_SUCH_TIME, reading.asTyped());
        }
    }

    private Duration elapsed(LocalTime from, LocalTime to) {
        if (to.isAfter(from)) {
            return Duration.between(from, to);
        }
        notes.add(TypedLine.Note.ENDS_NEXT_DAY);
        return Duration.between(from, to).plusDays(1);
    }

    private SessionTime resolve(LocalDate date, LocalTime start, Duration length) {
        SessionTime session = SessionTime.resolve(date.atTime(start), zone, length);
        switch (session.adjustment()) {
            case MOVED_OUT_OF_GAP -> notes.add(TypedLine.Note.MOVED_OUT_OF_GAP);
            case EARLIER_OF_TWO -> notes.add(TypedLine.Note.EARLIER_OF_TWO);
            case NONE -> {}
        }
        return session;
    }

    private void skipGap() {
        take(GAP);
    }

    private Optional<Matcher> take(Pattern pattern) {
        Matcher matcher = pattern.matcher(line).region(at, line.length());
        if (!matcher.lookingAt()) {
            return Optional.empty();
        }
        at = matcher.end();
        return Optional.of(matcher);
    }

    private String rest() {
        return line.substring(at).strip();
    }

    private static int number(Matcher m, int group) {
        return Integer.parseInt(m.group(group));
    }

    private static DayOfWeek dayOfWeek(String prefix) {
        return List.of(DayOfWeek.values()).stream()
                .filter(day -> name(day).regionMatches(true, 0, prefix, 0, 3))
                .findFirst()
                .orElseThrow();
    }

    private static Month month(String prefix) {
        return List.of(Month.values()).stream()
                .filter(month -> name(month).regionMatches(true, 0, prefix, 0, 3))
                .findFirst()
                .orElseThrow();
    }

    private static String name(DayOfWeek day) {
        return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    private static String name(Month month) {
        return month.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    private static Unreadable unreadable(int index, TypedLine.Problem problem, String detail) {
        return new Unreadable(index + 1, problem, detail);
    }

    /** A time as typed. An hour with a leading zero ("07:00") is meant as it stands. */
    private record Reading(
            int column,
            int hour,
            int minute,
            @org.jspecify.annotations.Nullable String half,
            boolean twoDigits) {
        Reading(
                int column,
                String hour,
                @org.jspecify.annotations.Nullable String minute,
                @org.jspecify.annotations.Nullable String half) {
            this(
                    column,
                    Integer.parseInt(hour),
                    minute == null ? 0 : Integer.parseInt(minute),
                    half,
                    hour.length() == 2);
        }

        Reading(int column, int hour, int minute, @org.jspecify.annotations.Nullable String half) {
            this(column, hour, minute, half, hour >= 10);
        }

        String asTyped() {
            return "%d:%02d%s".formatted(hour, minute, half == null ? "" : half);
        }
    }

    private static final class Unreadable extends RuntimeException {
        private final int column;
        private final TypedLine.Problem problem;
        private final String detail;

        Unreadable(int column, TypedLine.Problem problem, String detail) {
            super(null, null, false, false);
            this.column = column;
            this.problem = problem;
            this.detail = detail;
        }
    }
}
