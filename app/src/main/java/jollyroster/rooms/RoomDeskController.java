package jollyroster.rooms;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.door.Knock;
import jollyroster.core.door.RoomTerms;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorStream;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A standing room for those who host in it: who waits, who is inside, what holds this time, the meetings that were. */
@DeskPage
class RoomDeskController {

    private static final int LONGEST_WORD = 200;
    private static final int FEW = 5;
    private final RoomHead head;
    private final RoomQueries rooms;
    private final RoomVisitQueries visits;
    private final RoomVisitCommands commands;
    private final RoomDoorway doorway;
    private final PastMeetings past;
    private final DoorStream stream;
    private final Clock clock;

    RoomDeskController(
            RoomHead head,
            RoomQueries rooms,
            RoomVisitQueries visits,
            RoomVisitCommands commands,
            RoomDoorway doorway,
            PastMeetings past,
            DoorStream stream,
            Clock clock) {
        this.head = head;
        this.rooms = rooms;
        this.visits = visits;
        this.commands = commands;
        this.doorway = doorway;
        this.past = past;
        this.stream = stream;
        this.clock = clock;
    }

    /** Somebody at the door or inside. @param since for how long, in words @param leads whether they host */
    record Row(long id, String name, String what, String since, boolean asked, String word, boolean leads) {}

    @GetMapping("/desk/rooms/{room}")
    String room(@PathVariable("room") long id, Actor actor, Model model) {
        StandingRoom room = head.visible(id, actor);
        Instant now = clock.instant();
        Optional<RoomMeeting> present = rooms.present(id, now);
        RoomTerms terms = present.map(m -> room.terms().during(m.once())).orElse(room.terms());
        List<RoomVisit> inside = present.map(m -> visits.inside(m, now)).orElse(List.of());
        List<RoomVisit> waiting = visits.waiting(id, now);
        head.show(room, actor, model);
        model.addAttribute(
                "waiting", waiting.stream().map(v -> row(v, v.arrived(), now)).toList());
        model.addAttribute(
                "inside",
                inside.stream()
                        .map(v -> row(v, v.entered().orElse(v.arrived()), now))
                        .toList());
        model.addAttribute("says", says(present, inside, room, now));
        model.addAttribute("door", RoomWords.door(terms.door()));
        model.addAttribute("terms", terms);
        model.addAttribute("doors", RoomWords.choices());
        model.addAttribute("present", present.orElse(null));
        model.addAttribute("differs", !terms.equals(room.terms()));
        model.addAttribute("past", past.of(room, FEW));
        return "rooms/desk";
    }

    private static Row row(RoomVisit v, Instant since, Instant now) {
        String what = Stream.of(v.email(), v.says())
                .filter(part -> !part.isEmpty())
                .reduce((a, b) -> a + ", “" + b + "”")
                .orElse("");
        return new Row(
                v.id(),
                v.name(),
                what,
                Times.length(PastMeetings.minutes(Duration.between(since, now))),
                v.state() == Knock.ASKED_TO_WAIT,
                v.word(),
                v.account() != 0);
    }

    private static String says(Optional<RoomMeeting> present, List<RoomVisit> inside, StandingRoom room, Instant now) {
        if (room.retired()) {
            return "Closed";
        }
        return present.map(m -> inside.isEmpty()
                        ? "Nobody is inside; the meeting ends in "
                                + Times.length(PastMeetings.minutes(Duration.between(
                                        now, RoomTerms.over(m.emptied().orElse(now)))))
                        : RoomWords.inside(inside.size()).replaceAll("\\.$", ""))
                .orElse("Nobody is inside");
    }

    @GetMapping("/desk/rooms/{room}/events")
    ResponseEntity<SseEmitter> events(@PathVariable("room") long id, Actor actor) {
        head.visible(id, actor);
        return stream.answer("room-" + id, actor);
    }

    /** A host goes in; that opens a room that is locked without one. */
    @PostMapping("/desk/rooms/{room}/in")
    String in(@PathVariable("room") long id, Actor actor, RedirectAttributes flash) {
        StandingRoom room = head.visible(id, actor);
        if (!(actor instanceof Actor.Team host) || room.retired()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        RoomVisitCommands.Going going = commands.enterAsHost(id, host, actor);
        Optional<String> way = doorway.way(room, going.meeting(), going.who());
        if (way.isEmpty()) {
            flash.addFlashAttribute("warned", "The meeting service has no room to give. Please try again in a moment.");
        }
        return "redirect:" + way.orElse(back(id));
    }

    private static String back(long id) {
        return "/desk/rooms/" + id;
    }

    @PostMapping("/desk/rooms/{room}/visits/{visit}")
    String decide(
            @PathVariable("room") long id,
            @PathVariable long visit,
            @RequestParam(name = "do", defaultValue = "") String decision,
            @RequestParam(defaultValue = "") String word,
            Actor actor,
            RedirectAttributes flash) {
        head.visible(id, actor);
        Knock.Decision decided = Stream.of(Knock.Decision.values())
                .filter(d -> d.name().equals(decision))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        if (!commands.decide(id, visit, decided, Text.oneLine(word, LONGEST_WORD), actor)) {
            flash.addFlashAttribute("said", "That had been decided already.");
        }
        return "redirect:" + back(id);
    }

    @PostMapping("/desk/rooms/{room}/admit-all")
    String admitAll(@PathVariable("room") long id, Actor actor) {
        head.visible(id, actor);
        commands.admitAll(id, actor);
        return "redirect:" + back(id);
    }
}
