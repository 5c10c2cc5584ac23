package jollyroster.turns;

import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorKeepers;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The line of a session: who is next, and who is with the host. */
@DeskPage
class TurnsController {

    private static final int LONGEST_NOTE = 500;
    private final TurnPanels panels;
    private final TurnCommands commands;
    private final TurnQueries turns;
    private final TurnRooms rooms;
    private final DoorKeepers keepers;

    TurnsController(TurnPanels panels, TurnCommands commands, TurnQueries turns, TurnRooms rooms, DoorKeepers keepers) {
        this.panels = panels;
        this.commands = commands;
        this.turns = turns;
        this.rooms = rooms;
        this.keepers = keepers;
    }

    @GetMapping("/desk/turns/{session}")
    String line(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("line", panels.view(at));
        model.addAttribute("at", "/desk/turns/" + session);
        model.addAttribute("number", session);
        return "turns/desk";
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/desk/turns/{session}/next")
    String next(@PathVariable long session, Actor actor, RedirectAttributes flash) {
        visible(session, actor);
        say(commands.callNext(session, actor), flash);
        return back(session);
    }

    /** @param what {@code call}, {@code end}, {@code next} for ending it and calling the next, or {@code note} */
    @PostMapping("/desk/turns/{session}/{turn}")
    String turn(
            @PathVariable long session,
            @PathVariable long turn,
            @RequestParam(name = "do", defaultValue = "") String what,
            @RequestParam(defaultValue = "") String note,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        switch (what) {
            case "call" -> say(commands.call(session, turn, actor), flash);
            case "note" -> {
                commands.note(session, turn, Text.oneLine(note, LONGEST_NOTE), actor);
                flash.addFlashAttribute("said", "Note saved.");
            }
            case "end" -> end(session, turn, note, actor, flash);
            case "next" -> {
                end(session, turn, note, actor, flash);
                say(commands.callNext(session, actor), flash);
            }
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return back(session);
    }

    private void end(long session, long turn, String note, Actor actor, RedirectAttributes flash) {
        commands.note(session, turn, Text.oneLine(note, LONGEST_NOTE), actor);
        if (!commands.end(session, turn, actor)) {
            flash.addFlashAttribute("said", "That turn had ended already.");
        }
    }

    /** The host goes into the private room of a turn. */
    @GetMapping("/desk/turns/{session}/{turn}/room")
    String room(@PathVariable long session, @PathVariable long turn, Actor actor, RedirectAttributes flash) {
        Session at = visible(session, actor);
        Optional<String> way = turns.turn(turn)
                .filter(t -> t.session() == session && t.state() == Turn.State.CALLED)
                .flatMap(t -> rooms.way(at, t, Coming.leading(actor.name())));
        if (way.isEmpty()) {
            flash.addFlashAttribute(
                    "warned", "The meeting service has no room for this turn yet. Please try again in a moment.");
        }
        return "redirect:" + way.orElse("/desk/turns/" + session);
    }

    private static void say(TurnCommands.Called called, RedirectAttributes flash) {
        switch (called) {
            case DONE -> {}
            case NOBODY -> flash.addFlashAttribute("said", "Nobody is in line.");
            case BUSY -> flash.addFlashAttribute("warned", "Somebody is with you still. End that turn first.");
        }
    }

    private static String back(long session) {
        return "redirect:/desk/turns/" + session;
    }
}
