package jollyroster.signup;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.RosterLetters;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A registration as a calendar: a file to keep, and a feed that stays current. */
@RestController
class OwnCalendarController {

    static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);
    private final OwnPage ownPage;
    private final RosterLetters letters;
    private final PersonalLinks links;
    private final Calendars calendars;

    OwnCalendarController(OwnPage ownPage, RosterLetters letters, PersonalLinks links, Calendars calendars) {
        this.ownPage = ownPage;
        this.letters = letters;
        this.links = links;
        this.calendars = calendars;
    }

    @GetMapping("/my/{token}/session.ics")
    ResponseEntity<String> file(@PathVariable String token) {
        return written(
                ownPage.find(token),
                f -> letters.calendarEntries(f.session(), f.registration()),
                "attachment; filename=\"session.ics\"");
    }

    /** The same, to be subscribed to. Its address opens nothing else, and nothing in it does. */
    @GetMapping("/feeds/mine/{token}.ics")
    ResponseEntity<String> feed(@PathVariable String token) {
        return written(
                links.read(Purpose.OWN_FEED, token).flatMap(ownPage::find),
                f -> letters.feedEntries(f.session(), f.registration()),
                "inline");
    }

    private ResponseEntity<String> written(
            Optional<OwnPage.Found> found, Function<OwnPage.Found, List<CalendarEntry>> entries, String disposition) {
        return found.map(f -> ResponseEntity.ok()
                        .contentType(CALENDAR)
                        .header("Content-Disposition", disposition)
                        .header("Cache-Control", "no-store")
                        .body(calendars.publish(f.session().offering().title(), entries.apply(f))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
