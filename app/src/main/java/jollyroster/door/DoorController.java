package jollyroster.door;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.Admission;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The join link: counts down, then hands over. Bad tokens learn nothing. */
@Controller
class DoorController {

    private final PersonalLinks links;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final Entrances entrances;
    private final Clock clock;

    DoorController(
            PersonalLinks links,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            HostQueries hosts,
            Entrances entrances,
            Clock clock) {
        this.links = links;
        this.roster = roster;
        this.programme = programme;
        this.hosts = hosts;
        this.entrances = entrances;
        this.clock = clock;
    }

    private record Arriving(Registration who, Session session, Admission meets) {}

    /** The door as a person sees it. @param secondsLeft until the door opens, in seconds; 0 when it is open */
    record View(
            Admission meets,
            String title,
            String name,
            String starts,
            String startsHere,
            String opens,
            long secondsLeft,
            Where where,
            int placeInLine,
            String ownPage,
            String slug,
            String stateAddress) {}

    /** Where one goes and with what. @param host who leads it; empty when nobody is named */
    record Where(boolean online, String place, String accessNote, String bring, String host) {}

    @GetMapping("/join/{token}")
    String join(@PathVariable String token, Model model, HttpServletResponse response) {
        Optional<Arriving> arriving = arriving(token);
        if (arriving.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        Arriving at = arriving.get();
        if (at.meets() == Admission.COME_IN && at.session().isOnline()) {
            Optional<String> entry = entry(at);
            if (entry.isPresent()) {
                return "redirect:" + entry.get();
            }
            model.addAttribute("late", true);
        }
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("door", view(at, token));
        return "door/join";
    }

    /** What a waiting page asks from time to time; the door may be moved while somebody stands before it. */
    @GetMapping("/join/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token) {
        return arriving(token)
                .map(at -> ResponseEntity.ok()
                        .header("Cache-Control", "no-store")
                        .body(Map.<String, Object>of(
                                "meets", at.meets().name(), "secondsLeft", secondsLeft(at.session()))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private Optional<Arriving> arriving(String token) {
        return links.read(Purpose.JOIN, token)
                .flatMap(link -> roster.registration(link.id())
                        .filter(r -> r.generation() == link.generation())
                        .flatMap(r ->
                                programme.dateAt(r.session(), clock.instant()).map(session -> arriving(r, session))));
    }

    private Arriving arriving(Registration who, Session session) {
        Admission meets =
                Admission.decide(standing(who.state()), session.doorHours().at(clock.instant()), session.cancelled());
        return new Arriving(who, session, meets);
    }

    private static Admission.Standing standing(RegistrationState state) {
        return switch (state) {
            case REGISTERED -> Admission.Standing.REGISTERED;
            case UNCONFIRMED, MAYBE -> Admission.Standing.HELD;
            case WAITLISTED, CALLED_UP -> Admission.Standing.WAITLISTED;
            case CANCELLED, DECLINED -> Admission.Standing.CANCELLED;
        };
    }

    /** Where the person goes in; empty while the meeting service has not made the room. */
    private Optional<String> entry(Arriving at) {
        Registration who = at.who();
        return entrances.way(
                at.session(), who.name(), links.issue(Purpose.MEETING_PASS, new Link(who.id(), who.generation())));
    }

    private long secondsLeft(Session session) {
        Duration left = Duration.between(clock.instant(), session.doorHours().opens());
        return Math.max(0, left.toSeconds() + (left.toMillisPart() > 0 ? 1 : 0));
    }

    private View view(Arriving at, String token) {
        Session session = at.session();
        ZoneId theirs = at.who().zone();
        Instant start = session.start();
        boolean sameClock = theirs.getRules()
                .getOffset(start)
                .equals(session.zone().getRules().getOffset(start));
        boolean waiting = at.meets() == Admission.PLACE_IN_LINE;
        return new View(
                at.meets(),
                session.offering().title(),
                at.who().name(),
                Times.range(
                                start,
                                session.end(),
                                theirs,
                                clock.instant().atZone(theirs).toLocalDate()) + " " + Times.city(theirs) + " time",
                sameClock
                        ? ""
                        : Times.hours(session.zonedStart(), session.end().atZone(session.zone())) + " in "
                                + Times.city(session.zone()),
                Times.dayAndTime(session.doorHours().opens(), theirs),
                secondsLeft(session),
                where(session),
                waiting ? roster.placeInLine(at.who()) : 0,
                links.ownPage(new Link(at.who().id(), at.who().generation())),
                session.offering().slug(),
                "/join/" + token + "/state");
    }

    private Where where(Session session) {
        return new Where(
                session.isOnline(),
                session.place(),
                session.venue().map(Venue::accessNote).orElse(""),
                session.offering().bring(),
                HostQueries.names(hosts.of(session), session.offering().hostName()));
    }
}
