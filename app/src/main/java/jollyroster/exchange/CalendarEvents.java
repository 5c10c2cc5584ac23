package jollyroster.exchange;

import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.io.TimezoneAssignment;
import biweekly.parameter.FreeBusyType;
import biweekly.property.DateEnd;
import biweekly.property.ExceptionDates;
import biweekly.property.FreeBusy;
import biweekly.property.ICalProperty;
import biweekly.property.RecurrenceDates;
import biweekly.property.RecurrenceRule;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import biweekly.util.Period;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Recurrence;

/** The events of calendars as stretches of time within a window. An event that cannot be placed costs only itself. */
final class CalendarEvents {

    private static final int MOST_REPEATS = 1500;
    private final Interval window;
    private final ZoneId home;
    private final CalendarReader.Counts counts;
    private final CalendarZones zones;
    private final List<CalendarReader.Event> events = new ArrayList<>();
    private final Set<String> strangeZones = new TreeSet<>();
    private int lost;

    CalendarEvents(Interval window, ZoneId home, CalendarReader.Counts counts) {
        this.counts = counts;
        this.window = window;
        this.home = home;
        this.zones = new CalendarZones(window, home);
    }

    /** The zone of an event is not known. */
    private static final class StrangeZone extends RuntimeException {
        private static final long serialVersionUID = 1L;

        StrangeZone(String name) {
            super(name);
        }
    }

    List<CalendarReader.Event> events() {
        return events;
    }

    /** Empty when every event was placed. */
    String notPlaced() {
        if (lost == 0) {
            return "";
        }
        String which = lost == 1 ? "One event is left out" : lost + " events are left out";
        return strangeZones.isEmpty()
                ? which + ": their times cannot be read."
                : which + ", in a time zone that is not known: " + String.join(", ", strangeZones) + ".";
    }

    void add(ICalendar calendar) {
        Map<String, Set<Instant>> replaced = replaced(calendar);
        for (VEvent event : calendar.getEvents()) {
            if (takesTime(event)) {
                place(() -> expand(calendar, event, elsewhere(event, replaced)));
            }
        }
        calendar.getFreeBusies().stream()
                .flatMap(times -> times.getFreeBusy().stream())
                .filter(this::counts)
                .forEach(times -> times.getValues().forEach(period -> place(() -> within(period))));
    }

    /** Of times that are written as such (RFC 5545, 3.6.4) those that are busy, whatever else they are. */
    private boolean counts(FreeBusy times) {
        FreeBusyType type = times.getType();
        return FreeBusyType.FREE.equals(type)
                ? counts.free()
                : !FreeBusyType.BUSY_TENTATIVE.equals(type) || counts.tentative();
    }

    private List<CalendarReader.Event> within(Period period) {
        Instant from = period.getStartDate().toInstant();
        Instant until = period.getEndDate() == null
                ? from.plusMillis(period.getDuration().toMillis())
                : period.getEndDate().toInstant();
        return new Interval(from, until)
                .intersection(window).map(in -> new CalendarReader.Event(in, "", false)).stream()
                        .toList();
    }

    private void place(Supplier<List<CalendarReader.Event>> expanding) {
        try {
            events.addAll(expanding.get());
        } catch (StrangeZone zone) {
            lost++;
            if (strangeZones.size() < 5) {
                String name = String.valueOf(zone.getMessage());
                strangeZones.add("“" + name.substring(0, Math.min(name.length(), 60)) + "”");
            }
        } catch (DateTimeException | ArithmeticException | IllegalArgumentException absurd) {
            lost++;
        }
    }

    private boolean takesTime(VEvent event) {
        boolean cancelled = event.getStatus() != null && event.getStatus().isCancelled();
        boolean free =
                event.getTransparency() != null && event.getTransparency().isTransparent();
        boolean tentative = event.getStatus() != null && event.getStatus().isTentative();
        return !cancelled
                && (counts.free() || !free)
                && (counts.tentative() || !tentative)
                && event.getDateStart() != null
                && event.getDateStart().getValue() != null;
    }

    /** Single dates of repeated events that an event of their own replaces (RECURRENCE-ID), by UID. */
    private Map<String, Set<Instant>> replaced(ICalendar calendar) {
        Map<String, Set<Instant>> replaced = new HashMap<>();
        for (VEvent event : calendar.getEvents()) {
            boolean single = event.getRecurrenceId() != null
                    && event.getRecurrenceId().getValue() != null
                    && event.getUid() != null;
            if (single) {
                place(() -> {
                    ZoneId zone = zone(
                            calendar,
                            event.getRecurrenceId(),
                            event.getRecurrenceId().getValue());
                    replaced.computeIfAbsent(event.getUid().getValue(), uid -> new HashSet<>())
                            .add(local(event.getRecurrenceId().getValue())
                                    .atZone(zone)
                                    .toInstant());
                    return List.of();
                });
            }
        }
        return replaced;
    }

    private static Set<Instant> elsewhere(VEvent event, Map<String, Set<Instant>> replaced) {
        return event.getRecurrenceId() == null && event.getUid() != null
                ? replaced.getOrDefault(event.getUid().getValue(), Set.of())
                : Set.of();
    }

    private List<CalendarReader.Event> expand(ICalendar calendar, VEvent event, Set<Instant> elsewhere) {
        ICalDate begins = event.getDateStart().getValue();
        boolean allDay = !begins.hasTime();
        ZoneId zone = zone(calendar, event.getDateStart(), begins);
        LocalDateTime start = local(begins);
        Duration length = length(calendar, event, start, zone, allDay);
        String title = event.getSummary() == null
                ? ""
                : String.valueOf(event.getSummary().getValue());
        List<CalendarReader.Event> placed = new ArrayList<>();
        for (LocalDateTime at : starts(calendar, event, start, zone)) {
            Instant from = at.atZone(zone).toInstant();
            Interval span = new Interval(from, from.plus(length));
            if (span.overlaps(window) && !elsewhere.contains(from)) {
                span.intersection(window).ifPresent(in -> placed.add(new CalendarReader.Event(in, title, allDay)));
            }
        }
        return placed;
    }

    private ZoneId zone(ICalendar calendar, ICalProperty property, ICalDate date) {
        if (!date.hasTime()) {
            return home;
        }
        DateTimeComponents raw = date.getRawComponents();
        if (raw != null && raw.isUtc()) {
            return ZoneOffset.UTC;
        }
        TimezoneAssignment assigned = calendar.getTimezoneInfo().getTimezone(property);
        Optional<String> name = Optional.ofNullable(property.getParameters().getTimezoneId())
                .or(() -> Optional.ofNullable(assigned).map(a -> a.getTimeZone().getID()));
        return name.map(n -> zones.of(n, Optional.ofNullable(assigned).map(TimezoneAssignment::getTimeZone))
                        .orElseThrow(() -> new StrangeZone(n)))
                .orElse(home);
    }

    /** As it stands in the calendar, on whatever clock. */
    private static LocalDateTime local(ICalDate date) {
        DateTimeComponents raw = date.getRawComponents();
        if (raw == null) {
            return date.toInstant().atOffset(ZoneOffset.UTC).toLocalDateTime();
        }
        return date.hasTime()
                ? LocalDateTime.of(
                        raw.getYear(),
                        raw.getMonth(),
                        raw.getDate(),
                        raw.getHour(),
                        raw.getMinute(),
                        Math.min(raw.getSecond(), 59))
                : LocalDateTime.of(raw.getYear(), raw.getMonth(), raw.getDate(), 0, 0);
    }

    private LocalDateTime localIn(ICalendar calendar, ICalProperty property, ICalDate date, ZoneId zone) {
        ZoneId own = zone(calendar, property, date);
        LocalDateTime local = local(date);
        return own.equals(zone) || !date.hasTime()
                ? local
                : local.atZone(own).withZoneSameInstant(zone).toLocalDateTime();
    }

    private Duration length(ICalendar calendar, VEvent event, LocalDateTime start, ZoneId zone, boolean allDay) {
        DateEnd end = event.getDateEnd();
        Duration length;
        if (end != null && end.getValue() != null) {
            length = Duration.between(start, localIn(calendar, end, end.getValue(), zone));
        } else if (event.getDuration() != null && event.getDuration().getValue() != null) {
            length = Duration.ofMillis(event.getDuration().getValue().toMillis());
        } else {
            length = allDay ? Duration.ofDays(1) : Duration.ZERO;
        }
        return length.isNegative() ? Duration.ZERO : length;
    }

    /** All that repeats an event: rules (RRULE), dates (RDATE), and the exceptions to them (EXDATE). */
    private Set<LocalDateTime> starts(ICalendar calendar, VEvent event, LocalDateTime start, ZoneId zone) {
        List<RecurrenceRule> rules = event.getProperties(RecurrenceRule.class);
        Set<LocalDateTime> starts = new TreeSet<>();
        if (rules.isEmpty()) {
            starts.add(start);
        }
        rules.forEach(rule -> starts.addAll(repeated(rule, start, zone)));
        for (RecurrenceDates dates : event.getRecurrenceDates()) {
            dates.getDates().forEach(date -> starts.add(localIn(calendar, dates, date, zone)));
            dates.getPeriods().forEach(period -> starts.add(localIn(calendar, dates, period.getStartDate(), zone)));
        }
        for (ExceptionDates dates : event.getExceptionDates()) {
            dates.getValues().forEach(date -> starts.remove(localIn(calendar, dates, date, zone)));
        }
        return starts;
    }

    private List<LocalDateTime> repeated(RecurrenceRule rule, LocalDateTime start, ZoneId zone) {
        return Recurrence.of(RuleText.of(rule), zone)
                .map(recurrence -> recurrence
                        .expand(start, MOST_REPEATS, window.end().atZone(zone).toLocalDateTime())
                        .dates())
                .orElse(List.of(start));
    }
}
