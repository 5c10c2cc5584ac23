package jollyroster.till;

import static jollyroster.platform.tables.Tables.PAYMENT;

import java.time.Clock;
import java.time.Instant;
import java.util.Currency;
import java.util.Optional;
import jollyroster.core.prices.Price;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PaymentRecord;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.HoldCommands.Replied;
import jollyroster.seating.Registration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Starts and settles payments. What the till reports twice counts once. */
@Component
public class PaymentCommands {

    private final Writes writes;
    private final SessionCommands programme;
    private final HoldCommands holds;
    private final ReceiptCommands receipts;
    private final RefundCommands refunds;
    private final Clock clock;

    PaymentCommands(
            Writes writes,
            SessionCommands programme,
            HoldCommands holds,
            ReceiptCommands receipts,
            RefundCommands refunds,
            Clock clock) {
        this.receipts = receipts;
        this.refunds = refunds;
        this.writes = writes;
        this.programme = programme;
        this.holds = holds;
        this.clock = clock;
    }

    /** A payment that was started. */
    public record Started(String reference, String what, Price amount) {}

    /** What the till says became of a payment. */
    public enum Outcome {
        PAID,
        FAILED
    }

    /** Starts paying for a registration, or goes on with what was started. @return empty when nothing is to be paid */
    @Transactional
    public Optional<Started> start(Registration r, Actor actor) {
        actor.requireOver(r.id());
        var session = programme.session(r.session()).orElseThrow();
        int people = holds.due(r.id());
        Price price = session.offering().signUp().price();
        if (people == 0 || price.isFree()) {
            return Optional.empty();
        }
        Price due = price.times(people);
        String reference = open(r.id(), people, due).orElseGet(() -> insert(r.id(), people, due));
        return Optional.of(new Started(reference, session.offering().title(), due));
    }

    private Optional<String> open(long registration, int people, Price due) {
        return writes.sql()
                .select(PAYMENT.REFERENCE)
                .from(PAYMENT)
                .where(PAYMENT.REGISTRATION_ID.eq(registration))
                .and(PAYMENT.STATE.eq("OPEN"))
                .and(PAYMENT.PEOPLE.eq(people))
                .and(PAYMENT.AMOUNT_MINOR.eq((int) due.minor()))
                .fetchOptional(PAYMENT.REFERENCE);
    }

    private String insert(long registration, int people, Price due) {
        String reference = References.fresh();
        writes.sql()
                .insertInto(PAYMENT)
                .set(PAYMENT.REFERENCE, reference)
                .set(PAYMENT.REGISTRATION_ID, registration)
                .set(PAYMENT.AMOUNT_MINOR, (int) due.minor())
                .set(PAYMENT.PEOPLE, people)
                .set(PAYMENT.CURRENCY, due.currency().getCurrencyCode())
                .set(PAYMENT.STATE, "OPEN")
                .set(PAYMENT.STARTED_AT, clock.instant())
                .execute();
        return reference;
    }

    /** Settles a payment as the till reports. Money that comes when the seats are gone is owed back, and that is said. */
    @Transactional
    public boolean settle(String reference, Outcome outcome, Actor actor) {
        actor.requireTeam();
        Optional<PaymentRecord> found = writes.sql()
                .selectFrom(PAYMENT)
                .where(PAYMENT.REFERENCE.eq(reference))
                .fetchOptional();
        found.filter(p -> p.getState().equals("OPEN") || p.getState().equals("FAILED"))
                .ifPresent(p -> settle(p, outcome, actor, clock.instant()));
        return found.isPresent();
    }

    private void settle(PaymentRecord payment, Outcome outcome, Actor actor, Instant now) {
        if (outcome == Outcome.FAILED) {
            state(payment, "FAILED", now);
            return;
        }
        Replied came = holds.paid(
                payment.getRegistrationId(),
                payment.getPeople(),
                amount(payment).inWords(),
                actor);
        state(payment, "PAID", now);
        receipts.write(payment);
        if (came == Replied.TOO_LATE) {
            refunds.oweAll(payment, now);
        }
    }

    private static void state(PaymentRecord payment, String state, Instant now) {
        payment.setState(state);
        payment.setDoneAt(now);
        payment.store();
    }

    private static Price amount(PaymentRecord payment) {
        return new Price(payment.getAmountMinor(), Currency.getInstance(payment.getCurrency()));
    }
}
