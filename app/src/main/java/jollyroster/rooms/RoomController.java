package jollyroster.rooms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.Knock;
import jollyroster.core.door.RoomDoor;
import jollyroster.door.KnockLimit;
import jollyroster.platform.Actor;
import jollyroster.platform.Markdown;
import jollyroster.platform.Submission;
import jollyroster.rooms.RoomDoorway.Standing;
import jollyroster.rooms.StandingRoom.Part;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** A standing room before whoever comes to it: who they are, what it is about, a wait where there is one, the way in. */
@Controller
class RoomController {

    private final RoomDoorway doorway;
    private final RoomKnocking knocking;
    private final RoomVisitCommands commands;
    private final RoomVisitQueries visits;
    private final RoomPeople people;
    private final KnockLimit limit;
    private final Clock clock;

    RoomController(
            RoomDoorway doorway,
            RoomKnocking knocking,
            RoomVisitCommands commands,
            RoomVisitQueries visits,
            RoomPeople people,
            KnockLimit limit,
            Clock clock) {
        this.doorway = doorway;
        this.knocking = knocking;
        this.commands = commands;
        this.visits = visits;
        this.people = people;
        this.limit = limit;
        this.clock = clock;
    }

    /**
     * A room as people see it.
     *
     * @param name of whoever comes; empty before they have said
     * @param hosts their names; empty where they are not shown
     * @param description as safe HTML, as are agenda and materials; empty for none
     * @param open in words, whether one goes in at once
     * @param isOpen whether whoever comes goes in at once, where there is room
     * @param opensAlone whether nobody has to be let in one by one
     * @param ahead how many wait before them
     */
    record View(
            GuestMeets meets,
            String room,
            String name,
            String word,
            String hosts,
            String description,
            String agenda,
            String materials,
            String open,
            boolean isOpen,
            boolean opensAlone,
            long ahead,
            boolean emailAsked,
            boolean remembers,
            String address) {}

    @GetMapping("/rooms/{slug}")
    String room(@PathVariable String slug, HttpServletRequest request, HttpServletResponse response, Model model) {
        return doorway.before(slug, request)
                .map(at -> shown(at, RoomKnocking.Form.NOTHING, response, model))
                .orElseGet(() -> unknown(response));
    }

    private static String unknown(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "door/unknown";
    }

    private String shown(Standing at, RoomKnocking.Form typed, HttpServletResponse response, Model model) {
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("room", view(at));
        model.addAttribute("typed", typed);
        model.addAttribute("submission", Submission.fresh());
        return "rooms/room";
    }

    private View view(Standing at) {
        StandingRoom room = at.room();
        return new View(
                at.meets(),
                room.name(),
                at.visit().map(RoomVisit::name).orElse(""),
                at.visit().map(RoomVisit::word).orElse(""),
                room.shows(Part.HOSTS) ? people.hosts(room) : "",
                html(room, Part.DESCRIPTION, room.words().description()),
                html(room, Part.AGENDA, at.terms().agenda()),
                html(room, Part.MATERIALS, room.words().materials()),
                RoomWords.now(room, at.terms().door(), at.inside()),
                at.terms().door().meets(Knock.WAITING, at::hostInside, () -> true) == GuestMeets.INSIDE,
                at.terms().door() == RoomDoor.WITH_HOST,
                ahead(at),
                RoomKnocking.asksEmail(at),
                room.afterwards() != StandingRoom.Afterwards.NOTHING && RoomKnocking.asksEmail(at),
                "/rooms/" + room.slug());
    }

    private static String html(StandingRoom room, Part part, String markdown) {
        return room.shows(part) ? Markdown.toSafeHtml(markdown) : "";
    }

    private long ahead(Standing at) {
        List<RoomVisit> waiting = visits.waiting(at.room().id(), clock.instant());
        return at.visit()
                .map(own -> waiting.stream().takeWhile(v -> v.id() != own.id()).count())
                .orElse(0L);
    }

    /** What a waiting page asks from time to time. */
    @GetMapping("/rooms/{slug}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String slug, HttpServletRequest request) {
        return doorway.before(slug, request)
                .map(at -> {
                    at.visit().ifPresent(v -> commands.seen(v, Actor.visitor(v.name())));
                    return ResponseEntity.ok()
                            .header("Cache-Control", "no-store")
                            .body(Map.<String, Object>of(
                                    "meets",
                                    at.meets().name(),
                                    "place",
                                    ahead(at) + 1,
                                    "word",
                                    at.visit().map(RoomVisit::word).orElse(""),
                                    "note",
                                    ""));
                })
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @PostMapping("/rooms/{slug}/knock")
    String knock(
            @PathVariable String slug,
            @ModelAttribute("typed") RoomKnocking.Form typed,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<Standing> found = doorway.before(slug, request);
        if (found.isEmpty()) {
            return unknown(response);
        }
        Standing at = found.get();
        if (at.meets() != GuestMeets.SAYS_WHO) {
            return "redirect:/rooms/" + slug;
        }
        RoomKnocking.Outcome outcome = knocking.knock(at, typed, request.getRemoteAddr());
        if (outcome.link().isPresent()) {
            doorway.keep(at.room(), outcome.link().get(), request, response);
            return "redirect:/rooms/" + slug + "/in";
        }
        if (!outcome.codeAsked()) {
            response.setStatus(
                    outcome.tooMany() ? HttpStatus.TOO_MANY_REQUESTS.value() : HttpStatus.UNPROCESSABLE_ENTITY.value());
        }
        model.addAttribute("problem", outcome.problem());
        model.addAttribute("codeAsked", outcome.codeAsked());
        return shown(at, typed, response, model);
    }

    /** Goes in where the door lets them; else back to where they wait. */
    @GetMapping("/rooms/{slug}/in")
    String in(@PathVariable String slug, HttpServletRequest request, HttpServletResponse response, Model model) {
        Optional<Standing> found = doorway.before(slug, request);
        if (found.isEmpty()) {
            return unknown(response);
        }
        Standing at = found.get();
        if (at.meets() != GuestMeets.INSIDE || at.visit().isEmpty()) {
            return "redirect:/rooms/" + slug;
        }
        RoomVisit who = at.visit().get();
        Optional<RoomMeeting> meeting = commands.enter(at.room(), who.id(), Actor.visitor(who.name()));
        if (meeting.isEmpty()) {
            return "redirect:/rooms/" + slug;
        }
        Optional<String> way = doorway.way(at.room(), meeting.get(), who);
        if (way.isPresent()) {
            return "redirect:" + way.get();
        }
        model.addAttribute("late", true);
        return shown(at, RoomKnocking.Form.NOTHING, response, model);
    }

    @PostMapping("/rooms/{slug}/again")
    String again(@PathVariable String slug, HttpServletRequest request) {
        doorway.before(slug, request)
                .filter(at -> limit.mayKnock(
                        request.getRemoteAddr(), "room-" + at.room().id()))
                .flatMap(Standing::visit)
                .ifPresent(v -> commands.knockAgain(v, Actor.visitor(v.name())));
        return "redirect:/rooms/" + slug;
    }
}
