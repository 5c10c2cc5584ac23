package jollyroster.exchange;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.DateEnd;
import biweekly.property.DateStart;
import biweekly.property.ExceptionDates;
import biweekly.property.RecurrenceRule;
import biweekly.util.ICalDate;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TimeZone;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Recurrence;

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

    private static final int MOST_REPEATS = 1500;
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
        /** @param events in order of time, those that are cancelled or leave people free left out */
        record Read(List<Event> events) implements Reading {}

        record Refused(Problem because) implements Reading {}
    }

    /** @param allDay whether it has dates only; its span is then whole days in the zone that was handed in */
    public record Event(Interval span, String title, boolean allDay) {}

    /**
     * Reads the events that overlap a window.
     *
     * @param zone for times without a zone of their own, and for whole days
     */
    public static Reading read(String text, Interval window, ZoneId zone) {
        Optional<Problem> problem = obstacle(text);
        if (problem.isPresent()) {
            return new Reading.Refused(problem.get());
        }
        List<ICalendar> calendars =
                Biweekly.parse(text).defaultTimezone(TimeZone.getTimeZone(zone)).all();
        if (calendars.isEmpty()) {
            return new Reading.Refused(Problem.NOT_A_CALENDAR);
        }
        List<Event> events = new ArrayList<>();
        for (ICalendar calendar : calendars) {
            Map<String, Set<Instant>> replaced = replaced(calendar);
            for (VEvent event : calendar.getEvents()) {
                Set<Instant> elsewhere = event.getRecurrenceId() == null && event.getUid() != null
                        ? replaced.getOrDefault(event.getUid().getValue(), Set.of())
                        : Set.of();
                expand(calendar, event, window, zone).stream()
                        .filter(e -> !elsewhere.contains(e.span().start()))
                        .forEach(events::add);
                if (events.size() > MOST_STRETCHES) {
                    return new Reading.Refused(Problem.TOO_MANY_EVENTS);
                }
            }
        }
        events.sort(Comparator.comparing(event -> event.span().start()));
        return new Reading.Read(List.copyOf(events));
    }

    /** Single dates of repeated events that an event of their own replaces (RECURRENCE-ID), by UID. */
    private static Map<String, Set<Instant>> replaced(ICalendar calendar) {
        Map<String, Set<Instant>> replaced = new HashMap<>();
        for (VEvent event : calendar.getEvents()) {
            boolean single = event.getRecurrenceId() != null
                    && event.getRecurrenceId().getValue() != null
                    && event.getUid() != null;
            if (single) {
                replaced.computeIfAbsent(event.getUid().getValue(), uid -> new HashSet<>())
                        .add(event.getRecurrenceId().getValue().toInstant());
            }
        }
        return replaced;
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

    private static List<Event> expand(ICalendar calendar, VEvent event, Interval window, ZoneId home) {
        if (!takesTime(event)
                || event.getDateStart() == null
                || event.getDateStart().getValue() == null) {
            return List.of();
        }
        boolean allDay = !event.getDateStart().getValue().hasTime();
        ZoneId zone = allDay ? home : zone(calendar, event.getDateStart(), home);
        LocalDateTime start = local(event.getDateStart().getValue(), zone);
        Duration length = length(event, start, zone, allDay);
        String title = event.getSummary() == null
                ? ""
                : String.valueOf(event.getSummary().getValue());
        return starts(event, start, window, zone).stream()
                .map(at -> new Event(span(at, length, zone), title, allDay))
                .filter(e -> e.span().overlaps(window))
                .toList();
    }

    private static Interval span(LocalDateTime start, Duration length, ZoneId zone) {
        Instant from = start.atZone(zone).toInstant();
        return new Interval(from, from.plus(length));
    }

    private static boolean takesTime(VEvent event) {
        boolean cancelled = event.getStatus() != null && event.getStatus().isCancelled();
        boolean free =
                event.getTransparency() != null && event.getTransparency().isTransparent();
        return !cancelled && !free;
    }

    private static ZoneId zone(ICalendar calendar, DateStart start, ZoneId home) {
        var assigned = calendar.getTimezoneInfo().getTimezone(start);
        if (assigned != null) {
            return assigned.getTimeZone().toZoneId();
        }
        return calendar.getTimezoneInfo().isFloating(start) ? home : ZoneId.of("UTC");
    }

    private static LocalDateTime local(ICalDate date, ZoneId zone) {
        return date.hasTime()
                ? date.toInstant().atZone(zone).toLocalDateTime()
                : LocalDateTime.of(
                        date.getRawComponents().getYear(),
                        date.getRawComponents().getMonth(),
                        date.getRawComponents().getDate(),
                        0,
                        0);
    }

    private static Duration length(VEvent event, LocalDateTime start, ZoneId zone, boolean allDay) {
        DateEnd end = event.getDateEnd();
        Duration length;
        if (end != null && end.getValue() != null) {
            length = Duration.between(start, local(end.getValue(), zone));
        } else if (event.getDuration() != null && event.getDuration().getValue() != null) {
            length = Duration.ofMillis(event.getDuration().getValue().toMillis());
        } else {
            length = allDay ? Duration.ofDays(1) : Duration.ZERO;
        }
        return length.isNegative() ? Duration.ZERO : length;
    }

    private static List<LocalDateTime> starts(VEvent event, LocalDateTime start, Interval window, ZoneId zone) {
        RecurrenceRule rule = event.getRecurrenceRule();
        if (rule == null || rule.getValue() == null) {
            return List.of(start);
        }
        Set<LocalDateTime> except = exceptions(event, zone);
        String text = RuleText.of(event);
        return Recurrence.of(text, zone)
                .map(recurrence -> recurrence
                        .expand(start, MOST_REPEATS, window.end().atZone(zone).toLocalDateTime())
                        .dates())
                .orElse(List.of(start))
                .stream()
                .filter(at -> !except.contains(at))
                .toList();
    }

    private static Set<LocalDateTime> exceptions(VEvent event, ZoneId zone) {
        Set<LocalDateTime> except = new HashSet<>();
        for (ExceptionDates dates : event.getExceptionDates()) {
            dates.getValues().forEach(date -> except.add(local(date, zone)));
        }
        return except;
    }

    /** The RRULE as it is written, whatever the reader made of it. */
    private static final class RuleText {
        private static final Pattern RRULE = Pattern.compile("(?m)^RRULE[^:\\r\\n]*:(.*)$");

        private RuleText() {}

        static String of(VEvent event) {
            ICalendar alone = new ICalendar();
            VEvent copy = new VEvent();
            copy.setRecurrenceRule(event.getRecurrenceRule());
            alone.addEvent(copy);
            String written = Biweekly.write(alone).go().replace("\r\n ", "");
            Matcher m = RRULE.matcher(written.replace("\r", ""));
            return m.find() ? m.group(1).strip() : "";
        }
    }
}
