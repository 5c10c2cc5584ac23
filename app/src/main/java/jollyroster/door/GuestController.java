package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.door.ArrivalQueries.Arrival;
import jollyroster.door.GuestLinkQueries.GuestLink;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.WebUtils;

/** The guest link: a stranger says who they are, waits, and goes in when somebody admits them. */
@Controller
class GuestController {

    private static final int LONGEST_WORD = 200;
    private final GuestLinkQueries guestLinks;
    private final ArrivalQueries arrivals;
    private final ArrivalCommands commands;
    private final Entrances entrances;
    private final Insiders insiders;
    private final KnockLimit limit;
    private final PersonalLinks links;
    private final HostQueries hosts;
    private final Clock clock;

    GuestController(
            GuestLinkQueries guestLinks,
            ArrivalQueries arrivals,
            ArrivalCommands commands,
            Entrances entrances,
            Insiders insiders,
            KnockLimit limit,
            PersonalLinks links,
            HostQueries hosts,
            Clock clock) {
        this.guestLinks = guestLinks;
        this.arrivals = arrivals;
        this.commands = commands;
        this.entrances = entrances;
        this.insiders = insiders;
        this.limit = limit;
        this.links = links;
        this.hosts = hosts;
        this.clock = clock;
    }

    private record AtDoor(GuestLink link, Session session, Optional<Arrival> arrival, GuestMeets meets) {}

    /** The door as a guest sees it. @param secondsLeft until it opens @param inLine their place among those who wait; 0 for none */
    record View(
            GuestMeets meets,
            String title,
            String about,
            String starts,
            String host,
            String place,
            String name,
            String word,
            boolean emailAsked,
            boolean online,
            long secondsLeft,
            int inLine,
            String slug,
            String address) {}

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
        return "door/guest";
    }

    private Optional<String> way(AtDoor at) {
        Arrival who = at.arrival().orElseThrow();
        return entrances.way(at.session(), who.name(), links.issue(Purpose.ARRIVAL, who.link()));
    }

    /** What a waiting page asks from time to time. */
    @GetMapping("/g/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token, HttpServletRequest request) {
        return atDoor(token, request)
                .map(at -> ResponseEntity.ok()
                        .header("Cache-Control", "no-store")
                        .body(Map.<String, Object>of(
                                "meets",
                                at.meets().name(),
                                "secondsLeft",
                                secondsLeft(at.session()),
                                "place",
                                inLine(at),
                                "word",
                                at.arrival().map(Arrival::word).orElse(""))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @PostMapping("/g/{token}/knock")
    String knock(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            @RequestParam(defaultValue = "") String says,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<AtDoor> found = atDoor(token, request);
        if (found.isEmpty() || found.get().meets() != GuestMeets.SAYS_WHO) {
            return "redirect:/g/" + token;
        }
        AtDoor at = found.get();
        Optional<String> full = Contact.fullName(name);
        Optional<String> address = email.isBlank() ? Optional.of("") : Contact.email(email);
        String problem = problem(full, address, at, email);
        if (problem.isEmpty()
                && !limit.mayKnock(request.getRemoteAddr(), at.session().id())) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            problem = "Too many requests from your network. Please try again in a few minutes.";
        }
        Optional<Link> knocked = problem.isEmpty()
                ? commands.knock(
                        at.session().id(),
                        new ArrivalCommands.Who(
                                full.orElseThrow(), address.orElseThrow(), Text.oneLine(says, LONGEST_WORD)),
                        Actor.visitor(full.orElseThrow()))
                : Optional.empty();
        if (knocked.isPresent()) {
            remember(at.session(), knocked.get(), request, response);
            return "redirect:/g/" + token;
        }
        return again(
                at,
                token,
                problem.isEmpty() ? "Too many people are waiting. Please try again in a few minutes." : problem,
                new ArrivalCommands.Who(name, email, says),
                response,
                model);
    }

    private String again(
            AtDoor at,
            String token,
            String problem,
            ArrivalCommands.Who typed,
            HttpServletResponse response,
            Model model) {
        if (response.getStatus() == HttpStatus.OK.value()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        model.addAttribute("problem", problem);
        model.addAttribute("typed", typed);
        return shown(at, token, model);
    }

    private static String problem(Optional<String> name, Optional<String> address, AtDoor at, String email) {
        if (name.isEmpty()) {
            return "Please give your first and last name, so that the host knows you.";
        }
        boolean missing = at.link().emailAsked() && email.isBlank();
        return missing || address.isEmpty() ? "Please give an e-mail address like name@example.org." : "";
    }

    @PostMapping("/g/{token}/again")
    String knockAgain(@PathVariable String token, HttpServletRequest request) {
        atDoor(token, request)
                .filter(at ->
                        limit.mayKnock(request.getRemoteAddr(), at.session().id()))
                .flatMap(AtDoor::arrival)
                .ifPresent(a -> commands.knockAgain(a.id(), Actor.visitor(a.name())));
        return "redirect:/g/" + token;
    }

    private static String cookie(long session) {
        return "door-" + session;
    }

    private void remember(Session session, Link arrival, HttpServletRequest request, HttpServletResponse response) {
        Duration until = Duration.between(clock.instant(), session.doorHours().closes());
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(cookie(session.id()), links.issue(Purpose.ARRIVAL, arrival))
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .path("/g/")
                        .maxAge(until)
                        .build()
                        .toString());
    }

    private Optional<AtDoor> atDoor(String token, HttpServletRequest request) {
        Instant now = clock.instant();
        return guestLinks
                .read(token)
                .flatMap(link -> guestLinks.leadsTo(link, now).map(session -> {
                    Optional<Arrival> arrival = arrival(session, request);
                    return new AtDoor(link, session, arrival, meets(session, arrival, now));
                }));
    }

    /** Whoever has left comes in again as long as there is room. */
    private GuestMeets meets(Session session, Optional<Arrival> arrival, Instant now) {
        GuestMeets meets =
                GuestMeets.decide(session.doorHours().at(now), session.cancelled(), arrival.map(Arrival::state));
        boolean back =
                meets == GuestMeets.INSIDE && arrival.orElseThrow().left().isPresent();
        return back && insiders.room(session) <= 0 ? GuestMeets.FULL : meets;
    }

    private Optional<Arrival> arrival(Session session, HttpServletRequest request) {
        return Optional.ofNullable(WebUtils.getCookie(request, cookie(session.id())))
                .flatMap(kept -> links.read(Purpose.ARRIVAL, kept.getValue()))
                .flatMap(link -> arrivals.byLink(link, session.id()));
    }

    private int inLine(AtDoor at) {
        return at.arrival()
                .filter(a -> a.state().isAtTheDoor())
                .map(a -> arrivals.before(a) + 1)
                .orElse(0);
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
                at.arrival().map(Arrival::name).orElse(""),
                at.arrival().map(Arrival::word).orElse(""),
                at.link().emailAsked(),
                session.isOnline(),
                secondsLeft(session),
                inLine(at),
                session.offering().slug(),
                "/g/" + token);
    }
}
