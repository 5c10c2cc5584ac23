package jollyroster.door;

import java.util.stream.Stream;
import jollyroster.core.door.Knock;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What is decided about those who wait at a door, and said to them. */
@DeskPage
class DoorDecisionController {

    private static final int LONGEST_WORD = 200;
    private static final int LONGEST_NOTE = 300;
    private static final String FULL = "The room is full. Nobody else can be admitted until somebody leaves.";
    private final ArrivalCommands commands;
    private final MissingCommands missing;
    private final DoorNoteCommands notes;
    private final DoorKeepers keepers;

    DoorDecisionController(
            ArrivalCommands commands, MissingCommands missing, DoorNoteCommands notes, DoorKeepers keepers) {
        this.commands = commands;
        this.missing = missing;
        this.notes = notes;
        this.keepers = keepers;
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String back(long session) {
        return "redirect:/desk/door/" + session;
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
}
