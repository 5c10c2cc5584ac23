package jollyroster.signup;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.programme.SignUpRules;
import jollyroster.seating.Registration;
import jollyroster.till.Money;
import jollyroster.till.PaymentQueries;
import jollyroster.till.PaymentQueries.Payment;
import org.springframework.stereotype.Component;

/** What a person reads of the money: what is paid, what becomes of it, and what a change would cost. */
@Component
class OwnMoney {

    private final PaymentQueries payments;

    OwnMoney(PaymentQueries payments) {
        this.payments = payments;
    }

    /**
     * In words; each empty where there is nothing to say.
     *
     * @param ifCancelled what becomes of what was paid if the registration is cancelled now
     * @param ifMore what each person more would cost
     * @param fixed that nothing can be changed once it is paid
     * @param receipts the payments that have one
     */
    record View(String paid, String ifCancelled, String ifMore, String fixed, List<Long> receipts) {
        static final View NONE = new View("", "", "", "", List.of());
    }

    View of(Registration r, Session s, Instant now) {
        SignUpRules rules = s.offering().signUp();
        List<Payment> paid =
                payments.of(r.id()).stream().filter(Payment::isPaid).toList();
        if (paid.isEmpty() && !rules.isPaid()) {
            return View.NONE;
        }
        Money money = payments.of(List.of(r), s).get(r.id());
        boolean active = RegistrationState.ACTIVE.contains(r.state());
        boolean fixed = active && rules.isPaid() && rules.fixedOncePaid() && r.isSettled();
        return new View(
                money == null || money.paid().isFree() ? "" : sentence(money.inWords()),
                money == null || money.kept().isFree() || !active ? "" : ifCancelled(money.kept(), s, r.zone(), now),
                rules.isPaid() && active && !fixed ? rules.price().inWords() : "",
                fixed ? "What is paid for cannot be changed here; please ask the organiser." : "",
                paid.stream().filter(Payment::hasReceipt).map(Payment::id).toList());
    }

    private static String sentence(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1) + ".";
    }

    private static String ifCancelled(Price kept, Session s, ZoneId zone, Instant now) {
        RefundRule rule = s.offering().signUp().refund();
        if (!rule.gives()) {
            return "You paid " + kept.inWords() + ". It is not refunded.";
        }
        String until = Times.dayAndTime(rule.ends(s.registersFor()), zone);
        return rule.isOwed(s.registersFor(), now)
                ? "You paid " + kept.inWords() + ". All of it is refunded if you cancel before " + until
                        + "; nothing after."
                : "You paid " + kept.inWords() + ". It was refundable until " + until + " and no longer is.";
    }
}
