package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.SignUpRules;
import jollyroster.seating.AmendCommands;
import jollyroster.seating.AmendCommands.Amended;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
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
    private final OwnSteps steps;
    private final OwnPage ownPage;
    private final OwnChanges changes;
    private final ChangeSeatCommands changeSeat;
    private final AmendCommands amend;
    private final OwnContact contacts;
    private final OwnTexts ownTexts;
    private final ReceiptPaper receipts;

    OwnPageController(
            OwnSteps steps,
            OwnPage ownPage,
            OwnChanges changes,
            ChangeSeatCommands changeSeat,
            AmendCommands amend,
            OwnContact contacts,
            OwnTexts ownTexts,
            ReceiptPaper receipts) {
        this.steps = steps;
        this.ownPage = ownPage;
        this.changes = changes;
        this.changeSeat = changeSeat;
        this.amend = amend;
        this.contacts = contacts;
        this.ownTexts = ownTexts;
        this.receipts = receipts;
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
            return OwnSteps.unknown();
        }
        boolean justRegistered = confirmed != null && found.get().registration().state() != RegistrationState.CANCELLED;
        ModelAndView page = ownPage.show(found.get(), justRegistered);
        page.addObject("till", till);
        boolean awaitsTill = till.equals("paid") && found.get().registration().state() == RegistrationState.UNCONFIRMED;
        page.addObject("awaitsTill", awaitsTill);
        if (awaitsTill) {
            response.setHeader("Refresh", "4");
        }
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

    @PostMapping("/my/{token}/cancel")
    ModelAndView cancel(@PathVariable String token, @RequestParam(defaultValue = "") String why) {
        String reason = Text.oneLine(why, LONGEST_REASON);
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return OwnSteps.unknown();
        }
        Registration r = found.get().registration();
        boolean stood = RegistrationState.ACTIVE.contains(r.state());
        return changeSeat.cancel(r.id(), reason, r.self()) || !stood
                ? new ModelAndView("redirect:/my/" + token)
                : OwnSteps.back(token, OwnWords.Said.NOT_CANCELLED);
    }

    /** Changes who comes along and what was answered. */
    @PostMapping("/my/{token}/amend")
    ModelAndView amend(@PathVariable String token, HttpServletRequest request) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return OwnSteps.unknown();
        }
        OwnChanges.Form form = changes.read(found.get(), request);
        OwnChanges.Checked checked = changes.check(found.get(), form);
        if (!checked.problems().isEmpty()) {
            return again(found.get(), form, checked.problems(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
        Registration r = found.get().registration();
        Amended came = amend.amend(r.id(), checked.wish(), r.self());
        return came instanceof Amended.Done done
                ? OwnSteps.back(token, done.toPay() ? OwnWords.Said.AMENDED_TO_PAY : OwnWords.Said.AMENDED)
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
            @RequestParam(defaultValue = "false") boolean reminded,
            @RequestParam(defaultValue = "false") boolean texts,
            @RequestParam(defaultValue = "") String phone) {
        return steps.then(token, r -> {
            Times.zone(zone).filter(z -> !z.equals(r.zone())).ifPresent(z -> amend.setZone(r.id(), z, r.self()));
            amend.setReminded(r.id(), reminded, r.self());
            return ownTexts.change(ownPage.find(token).orElseThrow(), texts, phone);
        });
    }

    /** Puts the name right at once, and the address once it is shown to be theirs. */
    @PostMapping("/my/{token}/contact")
    ModelAndView contact(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            HttpServletRequest request) {
        Map<String, String> problems = OwnContact.problems(name, email);
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (problems.isEmpty() || found.isEmpty()) {
            return steps.then(token, r -> contacts.change(r, name, email, request.getRemoteAddr()));
        }
        return again(found.get(), changes.kept(found.get()), problems, HttpStatus.UNPROCESSABLE_CONTENT)
                .addObject("typedName", name)
                .addObject("typedEmail", email);
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
}
