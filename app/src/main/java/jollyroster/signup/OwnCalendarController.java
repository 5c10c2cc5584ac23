package jollyroster.signup;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.exchange.Calendars;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.Registration;
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
        return written(ownPage.find(token), "attachment; filename=\"session.ics\"");
    }

    /** The same, to be subscribed to. Its address opens nothing else. */
    @GetMapping("/feeds/mine/{token}.ics")
    ResponseEntity<String> feed(@PathVariable String token) {
        return written(links.read(Purpose.OWN_FEED, token).flatMap(ownPage::find), "inline");
    }

    private ResponseEntity<String> written(Optional<OwnPage.Found> found, String disposition) {
        return found.map(f -> ResponseEntity.ok()
                        .contentType(CALENDAR)
                        .header("Content-Disposition", disposition)
                        .header("Cache-Control", "no-store")
                        .body(calendar(f)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private String calendar(OwnPage.Found found) {
        Registration r = found.registration();
        String join = links.join(new Link(r.id(), r.generation()));
        return calendars.publish(found.session().offering().title(), letters.calendarEntries(found.session(), r, join));
    }
}
