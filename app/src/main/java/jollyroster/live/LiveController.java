package jollyroster.live;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.door.Attenders;
import jollyroster.door.Attenders.Attender;
import jollyroster.door.Entrances;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.Markdown;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import jollyroster.turns.TurnCommands;
import jollyroster.turns.TurnPanels;
import jollyroster.turns.TurnRooms;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The page of a session that somebody has open beside the meeting. */
@Controller
class LiveController {

    private static final MediaType HTML = MediaType.parseMediaType("text/html; charset=UTF-8");

    private final Attenders attenders;
    private final Beside beside;
    private final LiveQueries queries;
    private final Entrances entrances;
    private final HostQueries hosts;
    private final TurnPanels turns;
    private final TurnCommands turnCommands;
    private final TurnRooms turnRooms;
    private final Clock clock;

    LiveController(
            Attenders attenders,
            Beside beside,
            LiveQueries queries,
            Entrances entrances,
            HostQueries hosts,
            TurnPanels turns,
            TurnCommands turnCommands,
            TurnRooms turnRooms,
            Clock clock) {
        this.attenders = attenders;
        this.beside = beside;
        this.queries = queries;
        this.entrances = entrances;
        this.hosts = hosts;
        this.turns = turns;
        this.turnCommands = turnCommands;
        this.turnRooms = turnRooms;
        this.clock = clock;
    }

    /** A session to whoever takes part. @param turn how they stand in line @param welcome as safe HTML @param done what they have seconded and voted for */
    record View(
            String title,
            String name,
            String starts,
            String phase,
            String host,
            boolean open,
            boolean online,
            boolean hasTurns,
            TurnPanels.Mine turn,
            String welcome,
            String done,
            String version,
            String address) {}

    @GetMapping("/live/{token}")
    String page(@PathVariable String token, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<Attender> who = attenders.of(token);
        if (who.isEmpty()) {
            // The door says what there is to say: it counts down, asks to wait, or knows nothing of such a link.
            return "redirect:/join/" + token;
        }
        model.addAttribute("live", view(who.get(), token));
        model.addAttribute("beside", beside.view(who.get().session()));
        return "live/page";
    }

    /** What is the same for everybody; nothing where the page has it already. */
    @GetMapping("/live/{token}/beside")
    ResponseEntity<String> shared(@PathVariable String token, @RequestParam(defaultValue = "") String version) {
        Optional<Attender> who = attenders.of(token);
        if (who.isEmpty()) {
            return ResponseEntity.notFound().build();
        }
        Session session = who.get().session();
        return beside.version(session).equals(version)
                ? ResponseEntity.noContent().build()
                : ResponseEntity.ok()
                        .header("Cache-Control", "no-store")
                        .contentType(HTML)
                        .body(beside.markup(session, "/live/" + token));
    }

    /** What an open page asks from time to time. */
    @GetMapping("/live/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token) {
        return attenders
                .of(token)
                .map(who -> ResponseEntity.ok()
                        .header("Cache-Control", "no-store")
                        .body(Map.<String, Object>of(
                                "open",
                                isOpen(who.session()),
                                "turn",
                                mine(who),
                                "version",
                                beside.version(who.session()),
                                "every",
                                beside.pause(who.session()))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** Into the meeting. */
    @GetMapping("/live/{token}/meeting")
    String meeting(@PathVariable String token, RedirectAttributes flash) {
        return go(
                token,
                attenders
                        .of(token)
                        .filter(who -> isOpen(who.session()))
                        .flatMap(who -> entrances.way(who.session(), new Coming(who.name(), who.pass(), false))),
                flash);
    }

    /** Into the private room of one's turn. */
    @GetMapping("/live/{token}/turn")
    String room(@PathVariable String token, RedirectAttributes flash) {
        return go(
                token,
                attenders
                        .of(token)
                        .flatMap(who -> turns.called(who)
                                .flatMap(turn ->
                                        turnRooms.way(who.session(), turn, new Coming(who.name(), who.pass(), false)))),
                flash);
    }

    private static String go(String token, Optional<String> way, RedirectAttributes flash) {
        if (way.isEmpty()) {
            flash.addFlashAttribute("warned", "The meeting is not open right now. Please try again in a moment.");
        }
        return "redirect:" + way.orElse("/live/" + token);
    }

    /** @param what {@code ask}, {@code out}, {@code back} or {@code give-up} */
    @PostMapping("/live/{token}/turn")
    String turn(
            @PathVariable String token,
            @RequestParam(name = "do", defaultValue = "") String what,
            RedirectAttributes flash) {
        attenders.of(token).filter(who -> isOpen(who.session())).ifPresent(who -> {
            Actor actor = Actor.visitor(who.name());
            switch (what) {
                case "ask" -> {
                    boolean takesTurns = who.session().offering().door().hasTurns();
                    if (takesTurns && !turnCommands.ask(who, actor)) {
                        flash.addFlashAttribute("warned", "The line is full. Please ask again later.");
                    }
                }
                case "out" -> turnCommands.stepOut(who, actor);
                case "back" -> turnCommands.comeBack(who, actor);
                case "give-up" -> turnCommands.giveUp(who, actor);
                default -> {}
            }
        });
        return "redirect:/live/" + token;
    }

    private boolean isOpen(Session session) {
        return session.doorHours().at(clock.instant()) == Phase.OPEN;
    }

    private TurnPanels.Mine mine(Attender who) {
        return who.session().offering().door().hasTurns() ? turns.mine(who) : TurnPanels.Mine.NONE;
    }

    private View view(Attender who, String token) {
        Session session = who.session();
        Instant now = clock.instant();
        return new View(
                session.offering().title(),
                who.name(),
                Times.hours(session.zonedStart(), session.end().atZone(session.zone())) + " "
                        + Times.city(session.zone()) + " time",
                phase(session, now),
                HostQueries.names(hosts.of(session), session.offering().hostName()),
                isOpen(session),
                session.isOnline(),
                session.offering().door().hasTurns(),
                mine(who),
                beside.view(session).agenda().isEmpty()
                        ? Markdown.toSafeHtml(session.offering().door().welcome())
                        : "",
                String.join(" ", queries.done(session.id(), LiveCommands.key(who))),
                beside.version(session),
                "/live/" + token);
    }

    private static String phase(Session session, Instant now) {
        if (now.isBefore(session.start())) {
            return "starts in " + Times.length(Duration.between(now, session.start()));
        }
        return now.isBefore(session.end())
                ? "began " + Times.length(Duration.between(session.start(), now)) + " ago"
                : "is over";
    }
}
