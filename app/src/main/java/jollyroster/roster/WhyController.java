package jollyroster.roster;

import java.time.Clock;
import java.util.List;
import jollyroster.chart.StateMark;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.SeatingCommands;
import jollyroster.till.PaymentQueries;
import jollyroster.till.ReceiptPaper;
import jollyroster.till.RefundCommands;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Why somebody stands where they stand: every decision about a registration, its reason, and the way back where there is one. */
@DeskPage
class WhyController {

    private final LogbookQueries logbook;
    private final RollAssembler assembler;
    private final RegistrationQueries roster;
    private final SeatingCommands seating;
    private final PaymentQueries payments;
    private final RefundCommands refunds;
    private final ReceiptPaper receipts;
    private final SignedIn signedIn;
    private final Clock clock;

    WhyController(
            LogbookQueries logbook,
            RollAssembler assembler,
            RegistrationQueries roster,
            SeatingCommands seating,
            PaymentQueries payments,
            RefundCommands refunds,
            ReceiptPaper receipts,
            SignedIn signedIn,
            Clock clock) {
        this.logbook = logbook;
        this.assembler = assembler;
        this.roster = roster;
        this.seating = seating;
        this.payments = payments;
        this.refunds = refunds;
        this.receipts = receipts;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    /** One decision. */
    record Decision(String at, String who, String what, String why) {}

    /** A registration and everything decided about it, latest first. */
    record View(
            long session,
            long registration,
            long person,
            String title,
            String when,
            String name,
            String state,
            String stateWord,
            int party,
            String note,
            boolean canRestore,
            List<Decision> decisions,
            List<Paid> payments,
            boolean owed) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }
    }

    /**
     * A payment.
     *
     * @param what has become of it
     * @param left what can still be refunded, in words; empty for nothing
     */
    record Paid(long id, String amount, String what, boolean receipt, String left, String at) {}

    private List<Paid> paid(long registration, Session s) {
        return payments.of(registration).stream()
                .map(p -> new Paid(
                        p.id(),
                        p.amount().inWords(),
                        became(p),
                        p.hasReceipt(),
                        p.left().isFree() || !signedIn.isOrganiser()
                                ? ""
                                : p.left().inWords(),
                        Times.dayAndTime(p.startedAt(), s.zone())))
                .toList();
    }

    private static String became(PaymentQueries.Payment p) {
        if (!p.isPaid()) {
            return p.state().equals("OPEN") ? "not paid yet" : "the payment failed";
        }
        return "paid"
                + (p.back().isFree() ? "" : ", " + p.back().inWords() + " refunded")
                + (p.owed().isFree() ? "" : ", " + p.owed().inWords() + " being refunded");
    }

    private record Found(Session session, Registration registration) {}

    private Found known(long id, long registration) {
        Session s = assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return roster.registration(registration)
                .filter(r -> r.session() == s.book())
                .map(r -> new Found(s, r))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/sessions/{id}/why/{registration}")
    String why(@PathVariable long id, @PathVariable long registration, Model model) {
        Found found = known(id, registration);
        Session s = found.session();
        Registration r = found.registration();
        boolean gone = r.state() == RegistrationState.CANCELLED || r.state() == RegistrationState.DECLINED;
        model.addAttribute(
                "why",
                new View(
                        id,
                        registration,
                        r.person(),
                        s.offering().title(),
                        Times.dayAndTime(s.start(), s.zone()),
                        r.name(),
                        r.state().code(),
                        s.offering().word(r.state()),
                        r.party(),
                        r.remarks().note(),
                        gone && signedIn.isOrganiser() && clock.instant().isBefore(s.end()),
                        logbook.ofRegistration(registration).stream()
                                .map(l -> new Decision(
                                        Times.dayAndTime(l.at(), s.zone()),
                                        l.actor(),
                                        l.entry().words(),
                                        l.detail()))
                                .toList(),
                        paid(registration, s),
                        signedIn.isOrganiser() && !payments.owed(registration).isEmpty()));
        return "roster/why";
    }

    /** Gives back what is left of a payment. */
    @PostMapping("/desk/sessions/{id}/why/{registration}/refund")
    String refund(
            @PathVariable long id,
            @PathVariable long registration,
            @RequestParam(defaultValue = "0") long payment,
            Actor actor,
            RedirectAttributes flash) {
        actor.requireOrganiser();
        known(id, registration);
        payments.of(registration).stream()
                .filter(p -> p.id() == payment)
                .findFirst()
                .flatMap(p -> refunds.giveBack(p.id(), actor))
                .ifPresentOrElse(
                        amount -> flash.addFlashAttribute("said", amount.inWords() + " goes back the way it was paid."),
                        () -> flash.addFlashAttribute("warned", "Nothing is left to refund."));
        return "redirect:/desk/sessions/" + id + "/why/" + registration;
    }

    /** Notes that money has gone back outside of the program. */
    @PostMapping("/desk/sessions/{id}/why/{registration}/refunded")
    String refunded(@PathVariable long id, @PathVariable long registration, Actor actor) {
        actor.requireOrganiser();
        known(id, registration);
        payments.owed(registration).forEach(refund -> refunds.gone(refund, actor));
        return "redirect:/desk/sessions/" + id + "/why/" + registration;
    }

    @GetMapping("/desk/sessions/{id}/why/{registration}/receipts/{payment}")
    ResponseEntity<byte[]> receipt(@PathVariable long id, @PathVariable long registration, @PathVariable long payment) {
        known(id, registration);
        return receipts.ofRegistration(registration, payment)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Takes a giving back, a declining or a running out back, where the seat rule allows. */
    @PostMapping("/desk/sessions/{id}/why/{registration}/restore")
    String restore(@PathVariable long id, @PathVariable long registration, RedirectAttributes flash) {
        known(id, registration);
        boolean done = seating.restore(registration, signedIn.actor());
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done
                        ? "Back on, and told."
                        : "Not possible: the seats are taken or owed to others, or the person is on it again already.");
        return "redirect:/desk/sessions/" + id + "/why/" + registration;
    }
}
