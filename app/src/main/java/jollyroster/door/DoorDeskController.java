package jollyroster.door;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The desk at a door: who waits, and what is decided about them. */
@DeskPage
class DoorDeskController {

    private final DoorDesk desk;
    private final DoorStream stream;
    private final GuestLinkQueries guestLinks;
    private final DoorKeepers keepers;
    private final Entrances entrances;
    private final DoorAnswers answers;

    DoorDeskController(
            DoorDesk desk,
            DoorStream stream,
            GuestLinkQueries guestLinks,
            DoorKeepers keepers,
            Entrances entrances,
            DoorAnswers answers) {
        this.answers = answers;
        this.desk = desk;
        this.stream = stream;
        this.guestLinks = guestLinks;
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
        model.addAttribute("others", String.join(", ", stream.others("door-" + session, actor.name())));
        model.addAttribute("questions", keepers.leads(at, actor) ? answers.choices(at) : List.of());
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

    @GetMapping("/desk/door/{session}/events")
    ResponseEntity<SseEmitter> events(@PathVariable long session, Actor actor) {
        visible(session, actor);
        return stream.answer("door-" + session, actor);
    }
}
