package jollyroster.signup;

import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.guests.Reply;
import jollyroster.guests.ReplyCommands;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.SwapCommands;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What a person does about seats that are offered, an answer, and the date, with the link to their own page. */
@Controller
class OwnSeatController {

    private final OwnSteps steps;
    private final HoldCommands holds;
    private final ReplyCommands replies;
    private final ChangeSeatCommands changeSeat;
    private final SwapCommands swaps;

    OwnSeatController(
            OwnSteps steps,
            HoldCommands holds,
            ReplyCommands replies,
            ChangeSeatCommands changeSeat,
            SwapCommands swaps) {
        this.steps = steps;
        this.holds = holds;
        this.replies = replies;
        this.changeSeat = changeSeat;
        this.swaps = swaps;
    }

    /** Takes the seats that are offered. */
    @PostMapping("/my/{token}/accept")
    ModelAndView accept(@PathVariable String token) {
        return steps.then(token, r -> holds.accept(r.id(), r.self()));
    }

    @PostMapping("/my/{token}/decline")
    ModelAndView decline(@PathVariable String token) {
        return steps.then(token, r -> holds.decline(r.id(), r.self()));
    }

    /** Changes the answer to an invitation. */
    @PostMapping("/my/{token}/reply")
    ModelAndView reply(@PathVariable String token, @RequestParam(defaultValue = "") String reply) {
        return steps.then(
                token,
                r -> Reply.of(reply)
                        .map(answer -> replies.change(
                                                new ReplyCommands.Registered(r.id(), r.session(), r.name()),
                                                answer,
                                                r.self())
                                        instanceof Registering.Done
                                ? OwnWords.Said.ANSWERED
                                : OwnWords.Said.NOT_ANSWERED)
                        .orElse(OwnWords.Said.NOT_ANSWERED));
    }

    /** Moves to another date of the same offering; both or neither. */
    @PostMapping("/my/{token}/move")
    ModelAndView move(@PathVariable String token, @RequestParam(defaultValue = "0") long to) {
        return steps.then(token, r -> changeSeat.move(r.id(), to, r.self()));
    }

    /** Offers one's date for another one. */
    @PostMapping("/my/{token}/swap")
    ModelAndView offerSwap(
            @PathVariable String token,
            @RequestParam(defaultValue = "0") long wanted,
            @RequestParam(defaultValue = "") String with) {
        return steps.then(token, r -> {
            Optional<String> address = with.isBlank() ? Optional.of("") : Contact.email(with);
            return address.map(a -> swaps.offer(r.id(), wanted, a, r.self())).orElse(SwapCommands.Swapped.NOBODY);
        });
    }

    @PostMapping("/my/{token}/swap/withdraw")
    ModelAndView withdrawSwap(@PathVariable String token) {
        return steps.then(token, r -> {
            swaps.withdraw(r.id(), r.self());
            return OwnWords.Said.SWAP_WITHDRAWN;
        });
    }

    @PostMapping("/my/{token}/swap/decline")
    ModelAndView declineSwap(@PathVariable String token, @RequestParam(defaultValue = "0") long offer) {
        return steps.then(token, r -> swaps.decline(offer, r.id(), r.self()));
    }

    @PostMapping("/my/{token}/swap/agree")
    ModelAndView agreeToSwap(@PathVariable String token, @RequestParam(defaultValue = "0") long offer) {
        return steps.then(token, r -> swaps.agree(offer, r.id(), r.self()));
    }
}
