package jollyroster.door;

import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.door.DoorMove;
import jollyroster.core.door.Invited;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What holds at a door: its guest links, its hours as moved by hand, the answers that are shown. */
@DeskPage
class DoorSettingsController {

    private static final int LONGEST_NOTE = 300;
    private static final int LONGEST_LIST = 10_000;
    private final GuestLinkCommands linkCommands;
    private final DoorHoursCommands hours;
    private final DoorAnswerCommands choice;
    private final Entrances entrances;
    private final DoorKeepers keepers;

    DoorSettingsController(
            GuestLinkCommands linkCommands,
            DoorHoursCommands hours,
            DoorAnswerCommands choice,
            Entrances entrances,
            DoorKeepers keepers) {
        this.linkCommands = linkCommands;
        this.hours = hours;
        this.choice = choice;
        this.entrances = entrances;
        this.keepers = keepers;
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String back(long session) {
        return "redirect:/desk/door/" + session;
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
        DoorMove wanted = Stream.of(DoorMove.values())
                .filter(m -> m.name().equals(move))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        if (!hours.move(session, wanted, actor)) {
            flash.addFlashAttribute("said", "That had been done already.");
        } else if (wanted == DoorMove.END) {
            entrances.end(at);
        }
        return back(session);
    }

    /** Chooses whose answers are shown here, for every session of the offering. */
    @PostMapping("/desk/door/{session}/answers")
    String answers(
            @PathVariable long session,
            @RequestParam(required = false) List<Long> question,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        choice.choose(session, question == null ? List.of() : question, actor);
        flash.addFlashAttribute("said", "Saved.");
        return back(session);
    }
}
