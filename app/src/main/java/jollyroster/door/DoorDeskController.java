package jollyroster.door;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.door.Invited;
import jollyroster.core.door.Knock;
import jollyroster.core.intake.Text;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The desk at a door: who waits, and what is decided about them. */
@DeskPage
class DoorDeskController {

    private static final int LONGEST_WORD = 200;
    private static final int LONGEST_NOTE = 300;
    private static final int LONGEST_LIST = 10_000;
    private static final String FULL = "The room is full. Nobody else can be admitted until somebody leaves.";
    private final DoorDesk desk;
    private final DoorStream stream;
    private final GuestLinkQueries guestLinks;
    private final GuestLinkCommands linkCommands;
    private final ArrivalCommands commands;
    private final DoorNoteCommands notes;
    private final MissingCommands missing;
    private final DoorKeepers keepers;
    private final Entrances entrances;
    private final DoorHoursCommands hours;

    DoorDeskController(
            DoorDesk desk,
            DoorStream stream,
            GuestLinkQueries guestLinks,
            GuestLinkCommands linkCommands,
            ArrivalCommands commands,
            DoorNoteCommands notes,
            MissingCommands missing,
            DoorKeepers keepers,
            Entrances entrances,
            DoorHoursCommands hours) {
        this.hours = hours;
        this.desk = desk;
        this.stream = stream;
        this.guestLinks = guestLinks;
        this.linkCommands = linkCommands;
        this.commands = commands;
        this.notes = notes;
        this.missing = missing;
        this.keepers = keepers;
        this.entrances = entrances;
    }

    /** A link for guests. @param address empty while there is none */
    record GuestWay(String scope, String name, String address, boolean emailAsked, String whoMay, String agreement) {}

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/door/{session}")
    String door(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        model.addAttribute("door", desk.view(at));
        model.addAttribute("at", "/desk/door/" + session);
        model.addAttribute("page", "/desk/sessions/" + session);
        model.addAttribute("number", session);
        model.addAttribute("online", at.isOnline() && !at.cancelled());
        model.addAttribute("moves", keepers.leads(at, actor) ? desk.moves(at) : List.of());
        model.addAttribute("hasTurns", at.offering().door().hasTurns());
        model.addAttribute(
                "guestWays",
                Stream.of(
                                Optional.of(way("session", "This session", guestLinks.ofSession(session))),
                                Optional.of(way(
                                                "offering",
                                                "Every session of "
                                                        + at.offering().title(),
                                                guestLinks.ofOffering(
                                                        at.offering().id())))
                                        .filter(way -> actor.isOrganiser()))
                        .flatMap(Optional::stream)
                        .toList());
        return "door/desk";
    }

    private GuestWay way(String scope, String name, Optional<GuestLinkQueries.GuestLink> link) {
        return new GuestWay(
                scope,
                name,
                link.map(guestLinks::address).orElse(""),
                link.map(GuestLinkQueries.GuestLink::emailAsked).orElse(false),
                link.map(l -> String.join("\n", l.invited().entries())).orElse(""),
                link.map(GuestLinkQueries.GuestLink::agreement).orElse(""));
    }

    /** Whoever keeps the door goes in, also before it opens. */
    @GetMapping("/desk/door/{session}/enter")
    String enter(
            @PathVariable long session,
            @RequestParam(defaultValue = "1") int room,
            Actor actor,
            RedirectAttributes flash) {
        Session at = visible(session, actor);
        Coming who = Coming.leading(actor.name());
        Optional<String> way = Optional.of(at)
                .filter(s -> s.isOnline() && !s.cancelled())
                .flatMap(s ->
                        room == 2 && SecondRoomQueries.has(s) ? entrances.wayToSecond(s, who) : entrances.way(s, who));
        if (way.isEmpty()) {
            flash.addFlashAttribute("warned", "The meeting is not open right now. Please try again in a moment.");
        }
        return "redirect:" + way.orElse("/desk/door/" + session);
    }

    /** Opens the door before its time, ends the session, keeps it open longer or opens it again. */
    @PostMapping("/desk/door/{session}/hours")
    String hours(
            @PathVariable long session,
            @RequestParam(name = "do", defaultValue = "") String move,
            Actor actor,
            RedirectAttributes flash) {
        Session at = visible(session, actor);
        if (!keepers.leads(at, actor)) {
            throw new AccessDeniedException("Only who leads opens and ends");
        }
        DoorHoursCommands.Move wanted = Stream.of(DoorHoursCommands.Move.values())
                .filter(m -> m.name().equals(move))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        if (!hours.move(session, wanted, actor)) {
            flash.addFlashAttribute("said", "That had been done already.");
        } else if (wanted == DoorHoursCommands.Move.END) {
            entrances.end(at);
        }
        return back(session);
    }

    @GetMapping("/desk/door/{session}/events")
    ResponseEntity<SseEmitter> events(@PathVariable long session, Actor actor) {
        visible(session, actor);
        return stream.answer();
    }

    @PostMapping("/desk/door/{session}/guest-link")
    String guestLink(
            @PathVariable long session,
            @RequestParam(defaultValue = "session") String scope,
            @RequestParam(required = false) boolean email,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String agreement,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        Invited.Typed typed = Invited.read(Text.manyLines(who, LONGEST_LIST));
        if (!typed.odd().isEmpty()) {
            flash.addFlashAttribute(
                    "warned",
                    "Neither an address nor a domain like @example.org: "
                            + String.join(", ", typed.odd().stream().limit(3).toList()));
            return back(session);
        }
        linkCommands.renew(
                session,
                "offering".equals(scope),
                new GuestLinkCommands.Terms(email, typed.invited(), Text.oneLine(agreement, LONGEST_NOTE)),
                actor);
        flash.addFlashAttribute("said", "There is a new guest link. The one before is not valid any more.");
        return back(session);
    }

    @PostMapping("/desk/door/{session}/arrivals/{arrival}")
    String decide(
            @PathVariable long session,
            @PathVariable long arrival,
            @RequestParam(name = "do", defaultValue = "") String decision,
            @RequestParam(defaultValue = "") String word,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        Knock.Decision decided = Stream.of(Knock.Decision.values())
                .filter(d -> d.name().equals(decision))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        say(commands.decide(session, arrival, decided, Text.oneLine(word, LONGEST_WORD), actor), flash);
        return back(session);
    }

    @PostMapping("/desk/door/{session}/arrivals/{arrival}/join")
    String join(
            @PathVariable long session,
            @PathVariable long arrival,
            @RequestParam(defaultValue = "0") long registration,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        if (!commands.join(session, arrival, registration, actor)) {
            flash.addFlashAttribute("warned", "The two could not be joined; somebody may have done so already.");
        }
        return back(session);
    }

    @PostMapping("/desk/door/{session}/admit-all")
    String admitAll(
            @PathVariable long session,
            @RequestParam(required = false) boolean registered,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        say(commands.admitAll(session, registered, actor), flash);
        return back(session);
    }

    @PostMapping("/desk/door/{session}/missing")
    String missing(@PathVariable long session, Actor actor, RedirectAttributes flash) {
        visible(session, actor);
        int written = missing.write(session, actor);
        flash.addFlashAttribute(
                "said",
                written == 0
                        ? "Nobody is written to before it has begun, or when nobody is missing."
                        : written == 1
                                ? "One person is written to, with their link."
                                : written + " people are written to, with their links.");
        return back(session);
    }

    @PostMapping("/desk/door/{session}/note")
    String note(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String note,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        String words = Text.oneLine(note, LONGEST_NOTE);
        notes.say(session, words, actor);
        flash.addFlashAttribute(
                "said", words.isEmpty() ? "Nobody who waits reads a note any more." : "All who wait read it now.");
        return back(session);
    }

    private static void say(ArrivalCommands.Outcome outcome, RedirectAttributes flash) {
        switch (outcome) {
            case DONE -> {}
            case FULL -> flash.addFlashAttribute("warned", FULL);
            case NOTHING -> flash.addFlashAttribute("said", "That had been decided already.");
        }
    }

    private static String back(long session) {
        return "redirect:/desk/door/" + session;
    }
}
