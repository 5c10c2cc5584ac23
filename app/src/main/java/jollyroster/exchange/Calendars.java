package jollyroster.exchange;

import static java.util.Comparator.naturalOrder;

import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.io.TimezoneAssignment;
import biweekly.io.text.ICalWriter;
import biweekly.parameter.ParticipationStatus;
import biweekly.property.Attendee;
import biweekly.property.Method;
import biweekly.property.Organizer;
import biweekly.property.Status;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TimeZone;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationQueries;
import org.springframework.stereotype.Component;

/** Writes iCalendar (RFC 5545). Times are written on the session's wall clock, with the rules of its zone beside them. */
@Component
public class Calendars {

    private static final String PRODUCT = "-//Jolly Roster//Sessions//EN";

    private final OrganisationQueries organisation;
    private final Clock clock;

    Calendars(OrganisationQueries organisation, Clock clock) {
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A feed or a file of sessions to look at (METHOD:PUBLISH, RFC 5546), held by the organisation. */
    public String publish(String name, List<CalendarEntry> entries) {
        Organisation ours = organisation.organisation();
        return CalendarForm.publish(name, organiser(ours), entries, clock.instant());
    }

    private static CalendarOrganiser organiser(Organisation ours) {
        return new CalendarOrganiser(ours.name(), ours.contactEmail());
    }

    /** @param now when the object is made, which is what DTSTAMP says beside a METHOD (RFC 5545, 3.8.7.2) */
    static String publish(String name, CalendarOrganiser organiser, List<CalendarEntry> entries, Instant now) {
        return FoldedLines.of(published(name, organiser, entries, now));
    }

    /** The same in lines of any length. */
    static String published(String name, CalendarOrganiser organiser, List<CalendarEntry> entries, Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId(PRODUCT);
        calendar.setMethod(Method.publish());
        calendar.setName(name);
        entries.stream().map(entry -> event(entry, organiser, now)).forEach(calendar::addEvent);
        return write(calendar, entries);
    }

    /** Takes entries out of one person's calendar (METHOD:CANCEL, RFC 5546, 3.2.5). */
    public String cancel(List<CalendarEntry> entries, String name, String email) {
        return cancel(entries, organiser(organisation.organisation()), name, email, clock.instant());
    }

    static String cancel(
            List<CalendarEntry> entries, CalendarOrganiser organiser, String name, String email, Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId(PRODUCT);
        calendar.setMethod(Method.cancel());
        for (CalendarEntry entry : entries) {
            VEvent event = event(entry, organiser, now);
            event.addAttendee(new Attendee(name.isEmpty() ? null : name, email));
            calendar.addEvent(event);
        }
        return FoldedLines.of(write(calendar, entries));
    }

    /** An invitation to one person, who can reply (METHOD:REQUEST, RFC 5546). */
    public String request(CalendarEntry entry, String name, String email) {
        Organisation ours = organisation.organisation();
        return request(entry, organiser(ours), name, email, clock.instant());
    }

    /** The entry of somebody who comes, which they can still decline (METHOD:REQUEST, RFC 5546). */
    public String requestOf(CalendarEntry entry, String name, String email) {
        Organisation ours = organisation.organisation();
        return request(entry, organiser(ours), name, email, ParticipationStatus.ACCEPTED, clock.instant());
    }

    static String request(CalendarEntry entry, CalendarOrganiser organiser, String name, String email, Instant now) {
        return request(entry, organiser, name, email, ParticipationStatus.NEEDS_ACTION, now);
    }

    private static String request(
            CalendarEntry entry,
            CalendarOrganiser organiser,
            String name,
            String email,
            ParticipationStatus status,
            Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId(PRODUCT);
        calendar.setMethod(Method.request());
        VEvent event = event(entry, organiser, now);
        Attendee attendee = new Attendee(name.isEmpty() ? null : name, email);
        attendee.setParticipationStatus(status);
        attendee.setRsvp(true);
        event.addAttendee(attendee);
        calendar.addEvent(event);
        return FoldedLines.of(write(calendar, List.of(entry)));
    }

    private static VEvent event(CalendarEntry entry, CalendarOrganiser organiser, Instant now) {
        VEvent event = new VEvent();
        event.setUid(entry.uid());
        event.setSequence(entry.sequence());
        event.setDateTimeStamp(Date.from(now));
        event.setLastModified(Date.from(entry.changedAt()));
        event.setDateStart(Date.from(entry.start()), true);
        event.setDateEnd(Date.from(entry.end()), true);
        event.setOrganizer(new Organizer(organiser.name(), organiser.email()));
        event.setSummary(entry.title());
        setIfAny(entry.description(), event::setDescription);
        setIfAny(entry.place(), event::setLocation);
        setIfAny(entry.link(), event::setUrl);
        event.setStatus(entry.cancelled() ? Status.cancelled() : Status.confirmed());
        return event;
    }

    private static void setIfAny(String text, java.util.function.Consumer<String> setter) {
        if (!text.isEmpty()) {
            setter.accept(text);
        }
    }

    /** Has the times of all events written in their zones. @param entries those the events were made of, in their order */
    private static void zone(ICalendar calendar, List<CalendarEntry> entries) {
        Map<ZoneId, Optional<TimezoneAssignment>> zones = new LinkedHashMap<>();
        for (int i = 0; i < entries.size(); i++) {
            VEvent event = calendar.getEvents().get(i);
            zones.computeIfAbsent(entries.get(i).zone(), zone -> assignment(zone, entries))
                    .ifPresent(zone -> {
                        calendar.getTimezoneInfo().setTimezone(event.getDateStart(), zone);
                        calendar.getTimezoneInfo().setTimezone(event.getDateEnd(), zone);
                    });
        }
    }

    private static Optional<TimezoneAssignment> assignment(ZoneId zone, List<CalendarEntry> entries) {
        Instant from =
                entries.stream().map(CalendarEntry::start).min(naturalOrder()).orElseThrow();
        Instant until =
                entries.stream().map(CalendarEntry::end).max(naturalOrder()).orElseThrow();
        return ZoneComponents.of(zone, from, until)
                .map(rules -> new TimezoneAssignment(TimeZone.getTimeZone(zone), rules));
    }

    private static String write(ICalendar calendar, List<CalendarEntry> entries) {
        zone(calendar, entries);
        StringWriter text = new StringWriter();
        try (ICalWriter writer = new ICalWriter(text, ICalVersion.V2_0)) {
            writer.setCaretEncodingEnabled(true); // quotation marks in names (RFC 6868)
            writer.getVObjectWriter().getFoldedLineWriter().setLineLength(null);
            writer.write(calendar);
        } catch (IOException neverInMemory) {
            throw new UncheckedIOException(neverInMemory);
        }
        return text.toString();
    }
}
