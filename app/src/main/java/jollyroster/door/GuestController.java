package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.GuestKnocking.Outcome;
import jollyroster.door.GuestLinkQueries.GuestLink;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Submission;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The guest link: a stranger says who they are, waits, and goes in when somebody admits them. */
@Controller
class GuestController {

    private final GuestLinkQueries guestLinks;
    private final DoorCookies cookies;
    private final WaitingRoom waiting;
    private final ArrivalCommands commands;
    private final GuestKnocking knocking;
    private final Entrances entrances;
    private final InsideQueries insiders;
    private final KnockLimit limit;
    private final PersonalLinks links;
    private final HostQueries hosts;
    private final Clock clock;

    GuestController(
            GuestLinkQueries guestLinks,
            DoorCookies cookies,
            WaitingRoom waiting,
            ArrivalCommands commands,
            GuestKnocking knocking,
            Entrances entrances,
            InsideQueries insiders,
            KnockLimit limit,
            PersonalLinks links,
            HostQueries hosts,
            Clock clock) {
        this.guestLinks = guestLinks;
        this.cookies = cookies;
        this.waiting = waiting;
        this.commands = commands;
        this.knocking = knocking;
        this.entrances = entrances;
        this.insiders = insiders;
        this.limit = limit;
        this.links = links;
        this.hosts = hosts;
        this.clock = clock;
    }

    private record AtDoor(GuestLink link, Session session, Optional<Arrival> arrival, GuestMeets meets) {}

    /** The door as a guest sees it. @param secondsLeft until it opens */
    record View(
            GuestMeets meets,
            String title,
            String about,
            String starts,
            String host,
            String place,
            boolean emailAsked,
            String agreement,
            boolean online,
            long secondsLeft,
            String slug,
            WaitingRoom.View waiting) {}

    @GetMapping("/g/{token}")
    String door(@PathVariable String token, HttpServletRequest request, HttpServletResponse response, Model model) {
        Optional<AtDoor> found = atDoor(token, request);
        if (found.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        response.setHeader("Cache-Control", "no-store");
        AtDoor at = found.get();
        if (at.meets() == GuestMeets.INSIDE && at.session().isOnline()) {
            Optional<String> way = way(at);
            if (way.isPresent()) {
                return "redirect:" + way.get();
            }
        }
        return shown(at, token, model);
    }

    private String shown(AtDoor at, String token, Model model) {
        model.addAttribute("door", view(at, token));
        model.addAttribute("submission", Submission.fresh());
        return "door/guest";
    }

    private Optional<String> way(AtDoor at) {
        Arrival who = at.arrival().orElseThrow();
        if (at.session().offering().door().hasTurns()) {
            return Optional.of("/live/" + links.issue(Purpose.ARRIVAL, who.link()));
        }
        return entrances.way(at.session(), new Coming(who.name(), links.issue(Purpose.ARRIVAL, who.link()), false));
    }

    /** What a waiting page asks from time to time. */
    @GetMapping("/g/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token, HttpServletRequest request) {
        return atDoor(token, request)
                .map(at -> ResponseEntity.ok()
                        .header("Cache-Control", "no-store")
                        .body(waiting.state(at.session(), at.meets().name(), secondsLeft(at.session()), at.arrival())))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @PostMapping("/g/{token}/knock")
    String knock(
            @PathVariable String token,
            @ModelAttribute("typed") GuestKnocking.Form typed,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<AtDoor> found = atDoor(token, request);
        if (found.isEmpty() || found.get().meets() != GuestMeets.SAYS_WHO) {
            return "redirect:/g/" + token;
        }
        AtDoor at = found.get();
        Outcome outcome = knocking.knock(at.link(), at.session(), typed, request.getRemoteAddr());
        if (outcome instanceof Outcome.Knocked knocked) {
            cookies.keepKnock(at.session(), knocked.link(), request, response);
            return "redirect:/g/" + token;
        }
        if (outcome instanceof Outcome.Problem problem) {
            response.setStatus(
                    problem.tooMany() ? HttpStatus.TOO_MANY_REQUESTS.value() : HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("problem", problem.words());
        }
        if (outcome instanceof Outcome.CodeAsked asked) {
            model.addAttribute("codeAsked", true);
            model.addAttribute("problem", asked.problem());
        }
        return shown(at, token, model);
    }

    @PostMapping("/g/{token}/again")
    String knockAgain(@PathVariable String token, HttpServletRequest request) {
        atDoor(token, request)
                .filter(at -> limit.mayKnock(
                        request.getRemoteAddr(), "session-" + at.session().id()))
                .flatMap(AtDoor::arrival)
                .ifPresent(a -> commands.knockAgain(a.id(), Actor.visitor(a.name())));
        return "redirect:/g/" + token;
    }

    private Optional<AtDoor> atDoor(String token, HttpServletRequest request) {
        Instant now = clock.instant();
        return guestLinks
                .read(token)
                .flatMap(link -> guestLinks.leadsTo(link, now).map(session -> {
                    Optional<Arrival> arrival = cookies.knocked(session, request);
                    return new AtDoor(link, session, arrival, meets(session, arrival, now));
                }));
    }

    private GuestMeets meets(Session session, Optional<Arrival> arrival, Instant now) {
        return GuestMeets.decide(
                session.doorHours().at(now),
                session.cancelled(),
                () -> insiders.room(session) > 0,
                arrival.map(a -> new GuestMeets.Guest(a.state(), a.left().isPresent())));
    }

    private long secondsLeft(Session session) {
        return Math.max(
                0,
                Duration.between(clock.instant(), session.doorHours().opens())
                        .plusMillis(999)
                        .toSeconds());
    }

    private View view(AtDoor at, String token) {
        Session session = at.session();
        return new View(
                at.meets(),
                session.offering().title(),
                session.offering().summary(),
                Times.range(
                                session.start(),
                                session.end(),
                                session.zone(),
                                clock.instant().atZone(session.zone()).toLocalDate())
                        + " " + Times.city(session.zone())
                        + " time",
                HostQueries.names(hosts.of(session), session.offering().hostName()),
                session.isOnline() ? "" : session.place(),
                at.link().asksEmail(),
                at.link().agreement(),
                session.isOnline(),
                secondsLeft(session),
                session.offering().slug(),
                waiting.view(session, at.meets().name(), at.arrival(), "/g/" + token));
    }
}
