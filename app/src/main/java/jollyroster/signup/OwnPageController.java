package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.guests.Reply;
import jollyroster.guests.ReplyCommands;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.SignUpRules;
import jollyroster.seating.AmendCommands;
import jollyroster.seating.AmendCommands.Amended;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.SwapCommands;
import jollyroster.till.ReceiptPaper;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What a person can do with the link to their own page. */
@Controller
class OwnPageController {

    private static final int LONGEST_REASON = 300;
    private final PublicLimits limits;
    private final OwnPage ownPage;
    private final OwnChanges changes;
    private final ChangeSeatCommands changeSeat;
    private final HoldCommands holds;
    private final AmendCommands amend;
    private final ReplyCommands replies;
    private final SwapCommands swaps;
    private final ReceiptPaper receipts;
    private final PersonalLinks links;

    OwnPageController(
            PublicLimits limits,
            OwnPage ownPage,
            OwnChanges changes,
            ChangeSeatCommands changeSeat,
            HoldCommands holds,
            AmendCommands amend,
            ReplyCommands replies,
            SwapCommands swaps,
            ReceiptPaper receipts,
            PersonalLinks links) {
        this.receipts = receipts;
        this.limits = limits;
        this.ownPage = ownPage;
        this.changes = changes;
        this.changeSeat = changeSeat;
        this.holds = holds;
        this.amend = amend;
        this.replies = replies;
        this.swaps = swaps;
        this.links = links;
    }

    @GetMapping("/my/{token}")
    ModelAndView own(
            @PathVariable String token,
            @CookieValue(name = SaidOnce.CAME, defaultValue = "") String came,
            @RequestParam(defaultValue = "") String till,
            @RequestParam(name = OwnPage.JUST_REGISTERED, required = false) @Nullable String confirmed,
            HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return unknown();
        }
        boolean justRegistered = confirmed != null && found.get().registration().state() != RegistrationState.CANCELLED;
        ModelAndView page = ownPage.show(found.get(), justRegistered);
        page.addObject("till", till);
        goingOn(found.get(), justRegistered).ifPresent(address -> response.setHeader("Refresh", "6; url=" + address));
        OwnWords.of(came).ifPresent(said -> {
            page.addObject(said.good() ? "said" : "warned", said.words());
            SaidOnce.over("/my/" + token, response);
        });
        return page;
    }

    /** Where a person who has just registered is taken, where the organiser says so and says nothing else. */
    private static Optional<String> goingOn(OwnPage.Found found, boolean justRegistered) {
        SignUpRules rules = found.session().offering().signUp();
        boolean taken = justRegistered
                && found.registration().state() == RegistrationState.REGISTERED
                && rules.afterText().isEmpty();
        return taken && !rules.afterAddress().isEmpty() ? Optional.of(rules.afterAddress()) : Optional.empty();
    }

    /** Does something to the registration and shows the page again, saying what came of it. */
    private ModelAndView then(String token, Function<Registration, Enum<?>> what) {
        return ownPage.find(token)
                .map(found -> limits.mayChange(found.registration().id())
                        ? what.apply(found.registration())
                        : OwnWords.Said.TOO_OFTEN)
                .map(came -> back(token, came))
                .orElseGet(OwnPageController::unknown);
    }

    private static ModelAndView back(String token, Enum<?> came) {
        return new ModelAndView(new SaidOnce("/my/" + token, came));
    }

    @PostMapping("/my/{token}/cancel")
    ModelAndView cancel(@PathVariable String token, @RequestParam(defaultValue = "") String why) {
        String reason = Text.oneLine(why.substring(0, Math.min(why.length(), LONGEST_REASON)));
        Optional<OwnPage.Found> found = ownPage.find(token);
        found.ifPresent(f -> changeSeat.cancel(
                f.registration().id(), reason, f.registration().self()));
        return found.isPresent() ? new ModelAndView("redirect:/my/" + token) : unknown();
    }

    /** Takes the seats that are offered. */
    @PostMapping("/my/{token}/accept")
    ModelAndView accept(@PathVariable String token) {
        return then(token, r -> holds.accept(r.id(), r.self()));
    }

    @PostMapping("/my/{token}/decline")
    ModelAndView decline(@PathVariable String token) {
        return then(token, r -> holds.decline(r.id(), r.self()));
    }

    /** Changes the answer to an invitation. */
    @PostMapping("/my/{token}/reply")
    ModelAndView reply(@PathVariable String token, @RequestParam(defaultValue = "") String reply) {
        return then(
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
        return then(token, r -> changeSeat.move(r.id(), to, r.self()));
    }

    /** Changes who comes along and what was answered. */
    @PostMapping("/my/{token}/amend")
    ModelAndView amend(@PathVariable String token, HttpServletRequest request) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return unknown();
        }
        OwnChanges.Form form = changes.read(found.get(), request);
        OwnChanges.Checked checked = changes.check(found.get(), form);
        if (!checked.problems().isEmpty()) {
            return again(found.get(), form, checked.problems(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
        Registration r = found.get().registration();
        Amended came = amend.amend(r.id(), checked.wish(), r.self());
        return came instanceof Amended.Done done
                ? back(token, done.toPay() ? OwnWords.Said.AMENDED_TO_PAY : OwnWords.Said.AMENDED)
                : again(found.get(), form, Map.of("party", OwnWords.of(came)), HttpStatus.CONFLICT);
    }

    private ModelAndView again(
            OwnPage.Found found, OwnChanges.Form form, Map<String, String> problems, HttpStatus status) {
        ModelAndView page = ownPage.show(found, false, form, problems);
        page.setStatus(status);
        return page;
    }

    @PostMapping("/my/{token}/wishes")
    ModelAndView wishes(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "false") boolean reminded) {
        return then(token, r -> {
            Times.zone(zone).filter(z -> !z.equals(r.zone())).ifPresent(z -> amend.setZone(r.id(), z, r.self()));
            amend.setReminded(r.id(), reminded, r.self());
            return OwnWords.Said.WISHES_KEPT;
        });
    }

    /** Offers one's date for another one. */
    @PostMapping("/my/{token}/swap")
    ModelAndView offerSwap(
            @PathVariable String token,
            @RequestParam(defaultValue = "0") long wanted,
            @RequestParam(defaultValue = "") String with) {
        return then(token, r -> {
            Optional<String> address = with.isBlank() ? Optional.of("") : Contact.email(with);
            return address.map(a -> swaps.offer(r.id(), wanted, a, r.self())).orElse(SwapCommands.Swapped.NOBODY);
        });
    }

    @PostMapping("/my/{token}/swap/withdraw")
    ModelAndView withdrawSwap(@PathVariable String token) {
        return then(token, r -> {
            swaps.withdraw(r.id(), r.self());
            return OwnWords.Said.SWAP_WITHDRAWN;
        });
    }

    @PostMapping("/my/{token}/swap/agree")
    ModelAndView agreeToSwap(@PathVariable String token, @RequestParam(defaultValue = "0") long offer) {
        return then(token, r -> swaps.agree(offer, r.id(), r.self()));
    }

    /** The receipt of something that was paid. */
    @GetMapping("/my/{token}/receipts/{payment}")
    ResponseEntity<byte[]> receipt(@PathVariable String token, @PathVariable long payment) {
        return ownPage.find(token)
                .flatMap(found -> receipts.ofRegistration(found.registration().id(), payment))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** Unsubscribing with one click from a mail program (RFC 8058): no more reminders, the seat stays. */
    @PostMapping("/my/{token}/no-reminders")
    ResponseEntity<Void> noReminders(@PathVariable String token) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        found.ifPresent(f ->
                amend.setReminded(f.registration().id(), false, f.registration().self()));
        return found.isPresent()
                ? ResponseEntity.noContent().build()
                : ResponseEntity.notFound().build();
    }

    /** Where a letter leads that asks to confirm; confirming itself takes a click, so that no mail scanner does it. */
    @GetMapping("/confirm/{token}")
    ModelAndView toConfirm(@PathVariable String token, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        return links.read(Purpose.CONFIRM, token)
                .flatMap(ownPage::find)
                .map(found -> ownPage.show(found, false))
                .orElseGet(OwnPageController::unknown);
    }

    @PostMapping("/confirm/{token}")
    ModelAndView confirm(@PathVariable String token) {
        return links.read(Purpose.CONFIRM, token)
                .flatMap(ownPage::find)
                .map(this::confirmed)
                .orElseGet(OwnPageController::unknown);
    }

    private ModelAndView confirmed(OwnPage.Found found) {
        Registration r = found.registration();
        Link link = new Link(r.id(), r.generation());
        HoldCommands.Replied replied = holds.confirm(r.id(), r.self());
        return replied == HoldCommands.Replied.SEATED
                ? ownPage.confirmation(link)
                : back(links.issue(Purpose.OWN_PAGE, link), replied);
    }

    static ModelAndView unknown() {
        ModelAndView page = new ModelAndView("door/unknown");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
