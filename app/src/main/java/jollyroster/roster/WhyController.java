package jollyroster.roster;

import java.time.Clock;
import java.util.List;
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
import jollyroster.till.PaymentCommands;
import jollyroster.till.PaymentQueries;
import org.springframework.http.HttpStatus;
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
    private final PaymentCommands paying;
    private final SignedIn signedIn;
    private final Clock clock;

    WhyController(
            LogbookQueries logbook,
            RollAssembler assembler,
            RegistrationQueries roster,
            SeatingCommands seating,
            PaymentQueries payments,
            PaymentCommands paying,
            SignedIn signedIn,
            Clock clock) {
        this.logbook = logbook;
        this.assembler = assembler;
        this.roster = roster;
        this.seating = seating;
        this.payments = payments;
        this.paying = paying;
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
            List<Paid> payments) {}

    record Paid(long id, String amount, String state, String at) {}

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
                        payments.of(registration).stream()
                                .map(p -> new Paid(
                                        p.id(),
                                        p.amount().inWords(),
                                        p.state()
                                                .toLowerCase(java.util.Locale.ROOT)
                                                .replace('_', ' '),
                                        Times.dayAndTime(p.startedAt(), s.zone())))
                                .toList()));
        return "roster/why";
    }

    /** Notes that money was given back. */
    @PostMapping("/desk/sessions/{id}/why/{registration}/refunded")
    String refunded(
            @PathVariable long id,
            @PathVariable long registration,
            @RequestParam(defaultValue = "0") long payment,
            Actor actor) {
        known(id, registration);
        payments.of(registration).stream().filter(p -> p.id() == payment).forEach(p -> paying.refunded(p.id(), actor));
        return "redirect:/desk/sessions/" + id + "/why/" + registration;
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
