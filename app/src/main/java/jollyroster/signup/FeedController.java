package jollyroster.signup;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.platform.Address;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Calendars anybody may read: what is published, and nothing about people. */
@RestController
class FeedController {

    private static final Duration LOOK_BACK = Duration.ofDays(31);
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;
    private final Address address;
    private final Clock clock;
    private final Calendars calendars;

    FeedController(
            ProgrammeQueries programme,
            OrganisationQueries organisation,
            Address address,
            Clock clock,
            Calendars calendars) {
        this.programme = programme;
        this.organisation = organisation;
        this.address = address;
        this.clock = clock;
        this.calendars = calendars;
    }

    /** Every session of every published offering, those of the last 31 days included. */
    @GetMapping("/feeds/programme.ics")
    ResponseEntity<String> programmeFeed() {
        List<CalendarEntry> entries = programme.publishedAfter(clock.instant().minus(LOOK_BACK)).stream()
                .map(this::entry)
                .toList();
        return calendar(organisation.organisation().name(), entries);
    }

    /** The sessions of one offering. */
    @GetMapping("/p/{slug}.ics")
    ResponseEntity<String> offeringFeed(@PathVariable String slug) {
        return feedOf(slug)
                .map(text -> ResponseEntity.ok()
                        .contentType(OwnCalendarController.CALENDAR)
                        .body(text))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** The same as a file to keep: all dates of an offering, a whole series among them. */
    @GetMapping("/p/{slug}/dates.ics")
    ResponseEntity<String> offeringFile(@PathVariable String slug) {
        return feedOf(slug)
                .map(text -> ResponseEntity.ok()
                        .contentType(OwnCalendarController.CALENDAR)
                        .header("Content-Disposition", "attachment; filename=\"" + slug + ".ics\"")
                        .body(text))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** What is by invitation only, and which times people have picked, is in no calendar that anybody may read. */
    private Optional<String> feedOf(String slug) {
        return programme
                .shown(slug)
                .filter(o -> o.rules().visibility() != Visibility.INVITED && o.style() != SignUpStyle.OWN_TIME)
                .map(o -> calendars.publish(
                        o.title(),
                        programme.sessionsOf(o.id()).stream().map(this::entry).toList()));
    }

    private ResponseEntity<String> calendar(String name, List<CalendarEntry> entries) {
        return ResponseEntity.ok().contentType(OwnCalendarController.CALENDAR).body(calendars.publish(name, entries));
    }

    private CalendarEntry entry(Session s) {
        return new CalendarEntry(
                s.calendarUid(address.host()),
                s.sequence(),
                s.offering().title(),
                s.offering().summary(),
                s.placeOr(address.of("/p/" + s.offering().slug())),
                address.of("/p/" + s.offering().slug()),
                s.start(),
                s.end(),
                s.zone(),
                s.createdAt(),
                s.cancelled());
    }
}
