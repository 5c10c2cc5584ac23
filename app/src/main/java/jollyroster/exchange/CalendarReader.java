package jollyroster.exchange;

import biweekly.Biweekly;
import biweekly.ICalendar;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TimeZone;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.dates.Interval;

/**
 * Reads iCalendar files (RFC 5545) that come from elsewhere: events as stretches of time, repeated ones expanded. Refuses
 * what is too large or nested too deeply before it is parsed.
 */
public final class CalendarReader {

    /** The longest file read, in characters. */
    public static final int LONGEST = 5_000_000;

    /** The most events read from one file. */
    public static final int MOST_EVENTS = 20_000;

    /** The most stretches of time one file may come to. */
    public static final int MOST_STRETCHES = 50_000;

    private static final int DEEPEST = 8;
    private static final Pattern BEGIN_OR_END = Pattern.compile("(?im)^(BEGIN|END):([A-Z-]+)");

    private CalendarReader() {}

    /** Why a file was not read. */
    public enum Problem {
        NOT_A_CALENDAR("It is not a calendar file (.ics)."),
        TOO_LARGE("The calendar is larger than 5 MB."),
        TOO_MANY_EVENTS("The calendar holds more than 20,000 events, or comes to more than 50,000 times."),
        NESTED_TOO_DEEPLY("The calendar is nested too deeply to be a real one.");

        private final String words;

        Problem(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What came of reading a file. */
    public sealed interface Reading {
        /**
         * @param events in order of time, those that are cancelled or leave people free left out
         * @param notPlaced why some events are left out, in words; empty when none is
         */
        record Read(List<Event> events, String notPlaced) implements Reading {}

        record Refused(Problem because) implements Reading {}
    }

    /** @param allDay whether it has dates only; its span is then whole days in the zone that was handed in */
    public record Event(Interval span, String title, boolean allDay) {}

    /**
     * Which events are read beside those that are certain.
     *
     * @param tentative those that may not take place (STATUS:TENTATIVE)
     * @param free those that leave people free (TRANSP:TRANSPARENT)
     */
    public record Counts(boolean tentative, boolean free) {

        public static final Counts USUAL = new Counts(true, false);
    }

    /** Reads what {@linkplain Counts#USUAL usually} counts. */
    public static Reading read(String text, Interval window, ZoneId zone) {
        return read(text, window, zone, Counts.USUAL);
    }

    /**
     * Reads the events that overlap a window, as far as they lie in it.
     *
     * @param zone for times without a zone of their own, and for whole days
     */
    public static Reading read(String text, Interval window, ZoneId zone, Counts counts) {
        Optional<Problem> problem = obstacle(text);
        if (problem.isPresent()) {
            return new Reading.Refused(problem.get());
        }
        List<ICalendar> calendars =
                Biweekly.parse(text).defaultTimezone(TimeZone.getTimeZone(zone)).all();
        if (calendars.isEmpty()) {
            return new Reading.Refused(Problem.NOT_A_CALENDAR);
        }
        CalendarEvents found = new CalendarEvents(window, zone, counts);
        for (ICalendar calendar : calendars) {
            found.add(calendar);
            if (found.events().size() > MOST_STRETCHES) {
                return new Reading.Refused(Problem.TOO_MANY_EVENTS);
            }
        }
        return new Reading.Read(
                found.events().stream()
                        .sorted(Comparator.comparing(event -> event.span().start()))
                        .toList(),
                found.notPlaced());
    }

    private static Optional<Problem> obstacle(String text) {
        if (text.length() > LONGEST) {
            return Optional.of(Problem.TOO_LARGE);
        }
        if (!text.regionMatches(true, text.indexOf('B') < 0 ? 0 : text.indexOf('B'), "BEGIN:VCALENDAR", 0, 15)) {
            return Optional.of(Problem.NOT_A_CALENDAR);
        }
        int depth = 0;
        int events = 0;
        Matcher m = BEGIN_OR_END.matcher(text);
        while (m.find()) {
            boolean begins = m.group(1).equalsIgnoreCase("BEGIN");
            depth += begins ? 1 : -1;
            events += begins && m.group(2).equalsIgnoreCase("VEVENT") ? 1 : 0;
            if (depth > DEEPEST) {
                return Optional.of(Problem.NESTED_TOO_DEEPLY);
            }
            if (events > MOST_EVENTS) {
                return Optional.of(Problem.TOO_MANY_EVENTS);
            }
        }
        return Optional.empty();
    }
}
