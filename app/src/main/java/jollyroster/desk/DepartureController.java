package jollyroster.desk;

import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.DepartureCommands.Which;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Holds all letters, and sends or withdraws those that have not gone: one, or one line of the plan of a session. */
@DeskPage
class DepartureController {

    private static final String OUTBOX = "redirect:/desk/outbox";
    private static final String UNTOUCHED =
            "Nothing was changed: it has gone, or it leaves with a change of the session.";
    private final DepartureCommands commands;

    DepartureController(DepartureCommands commands) {
        this.commands = commands;
    }

    /** What is to be done with letters that have not gone. */
    enum Act {
        SEND,
        WITHDRAW,
        HOLD,
        RELEASE
    }

    @PostMapping("/desk/outbox/hold")
    String hold(RedirectAttributes flash, Actor actor) {
        boolean done = commands.hold(actor);
        flash.addFlashAttribute(
                done ? "said" : "warned", done ? "All messages are held from now on." : "They were held already.");
        return OUTBOX;
    }

    @PostMapping("/desk/outbox/release")
    String release(RedirectAttributes flash, Actor actor) {
        boolean done = commands.release(actor);
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done ? "Messages leave again; what is due goes now." : "They were leaving already.");
        return OUTBOX;
    }

    @PostMapping("/desk/outbox/{id}/depart")
    String one(@PathVariable long id, @RequestParam Act act, RedirectAttributes flash, Actor actor) {
        said(act, new Which.One(id), flash, actor);
        return OUTBOX + "/" + id;
    }

    /** All that is planned of one line of the plan of a session. */
    @PostMapping("/desk/outbox/batch")
    String batch(
            @RequestParam long session,
            @RequestParam String what,
            @RequestParam int amount,
            @RequestParam Offset.Unit unit,
            @RequestParam(defaultValue = "EMAIL") Channel channel,
            @RequestParam Act act,
            RedirectAttributes flash,
            Actor actor) {
        Optional<Anchor> anchor =
                Stream.of(Anchor.values()).filter(a -> a.name().equals(what)).findFirst();
        if (anchor.isEmpty() || amount < 0 || session <= 0) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        said(act, new Which.Batch(session, anchor.get(), new Offset(amount, unit), channel), flash, actor);
        return OUTBOX;
    }

    /** All that is planned for an offering. */
    @PostMapping("/desk/offerings/{id}/plan/hold")
    String offering(@PathVariable long id, @RequestParam Act act, RedirectAttributes flash, Actor actor) {
        said(act, new Which.Offering(id), flash, actor);
        return "redirect:/desk/offerings/" + id + "/plan";
    }

    private void said(Act act, Which which, RedirectAttributes flash, Actor actor) {
        if (act == Act.HOLD || act == Act.RELEASE) {
            held(act, which, flash, actor);
            return;
        }
        int letters = act == Act.SEND ? commands.sendNow(which, actor) : commands.withdraw(which, actor);
        String some = letters == 1 ? "1 message" : letters + " messages";
        flash.addFlashAttribute(
                letters == 0 ? "warned" : "said",
                letters == 0 ? UNTOUCHED : some + (act == Act.SEND ? " due now." : " withdrawn."));
    }

    private void held(Act act, Which which, RedirectAttributes flash, Actor actor) {
        boolean hold = act == Act.HOLD;
        boolean done = hold ? commands.hold(which, actor) : commands.release(which, actor);
        String words = hold ? "Held until you let it go." : "It leaves again; what is due goes now.";
        String before = hold ? "It was held already." : "It was not held.";
        flash.addFlashAttribute(done ? "said" : "warned", done ? words : before);
    }
}
