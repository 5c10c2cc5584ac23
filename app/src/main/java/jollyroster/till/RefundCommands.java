package jollyroster.till;

import static jollyroster.platform.tables.Tables.PAYMENT;
import static jollyroster.platform.tables.Tables.REFUND;
import static org.jooq.impl.DSL.inline;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.Refunds;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PaymentRecord;
import jollyroster.platform.tables.tables.records.RefundRecord;
import jollyroster.programme.Session;
import jollyroster.seating.LetterCommands;
import jollyroster.seating.Takings;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Money that goes back: owed when seats are given up, withdrawn when they are taken up again, and given back by a worker. */
@Component
public class RefundCommands implements Takings {

    private static final Actor TILL = new Actor.Program("till");
    private final Writes writes;
    private final LetterCommands letters;
    private final Clock clock;

    RefundCommands(Writes writes, LetterCommands letters, Clock clock) {
        this.writes = writes;
        this.letters = letters;
        this.clock = clock;
    }

    /** Why money goes back. */
    enum Cause {
        GIVEN_UP,
        SESSION_CANCELLED,
        TOO_LATE,
        BY_HAND
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public Money givenUp(long registration, int still, boolean whole, Session book, Instant leaves, Instant now) {
        List<Refunds.Back> surplus = Refunds.of(paid(registration), still);
        if (surplus.isEmpty()) {
            return new Money("", "");
        }
        String amount = sum(surplus).inWords();
        boolean owed = whole || book.offering().signUp().refund().isOwed(book.registersFor(), now);
        if (owed) {
            Cause cause = book.cancelled() ? Cause.SESSION_CANCELLED : Cause.GIVEN_UP;
            surplus.forEach(back -> owe(back, cause, leaves));
        }
        letters.log(
                registration,
                owed ? LogbookEntry.MONEY_BACK : LogbookEntry.MONEY_KEPT,
                Facts.of("amount", amount),
                TILL);
        return owed ? new Money(amount, "") : new Money("", amount);
    }

    private static Price sum(List<Refunds.Back> some) {
        long minor = some.stream().mapToLong(b -> b.amount().minor()).sum();
        return new Price(minor, some.get(0).amount().currency());
    }

    private List<Refunds.Paid> paid(long registration) {
        return paid(List.of(registration)).getOrDefault(registration, List.of());
    }

    /** What was paid and not given back, by registration, first to last. */
    private Map<Long, List<Refunds.Paid>> paid(Collection<Long> registrations) {
        var returned = DSL.field(DSL.select(DSL.coalesce(DSL.sum(REFUND.PEOPLE), inline(0)))
                .from(REFUND)
                .where(REFUND.PAYMENT_ID.eq(PAYMENT.ID))
                .and(REFUND.STATE.ne(inline("WITHDRAWN"))));
        return writes.sql()
                .select(
                        PAYMENT.REGISTRATION_ID,
                        PAYMENT.ID,
                        PAYMENT.PEOPLE,
                        returned,
                        PAYMENT.AMOUNT_MINOR,
                        PAYMENT.CURRENCY)
                .from(PAYMENT)
                .where(PAYMENT.REGISTRATION_ID.in(registrations))
                .and(PAYMENT.STATE.eq(inline("PAID")))
                .orderBy(PAYMENT.ID)
                .fetchGroups(
                        r -> r.value1(),
                        r -> new Refunds.Paid(
                                r.value2(),
                                r.value3(),
                                Math.min(r.value3(), r.value4().intValue()),
                                new Price(r.value5(), Currency.getInstance(r.value6()))));
    }

    private void owe(Refunds.Back back, Cause cause, Instant leaves) {
        RefundRecord row = new RefundRecord();
        row.setPaymentId(back.payment());
        row.setReference("refund-" + References.fresh());
        row.setPeople(back.people());
        row.setAmountMinor((int) back.amount().minor());
        row.setState("DUE");
        row.setCause(cause.name());
        row.setDueAt(leaves);
        writes.sql().insertInto(REFUND).set(row).execute();
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public Map<Long, Integer> heldAgain(Map<Long, Integer> held, Instant now) {
        Map<Long, List<Refunds.Leaving>> leaving = leaving(held.keySet());
        Map<Long, List<Refunds.Paid>> payments = paid(leaving.keySet());
        Map<Long, Integer> covered = new HashMap<>();
        leaving.forEach((registration, about) -> {
            Refunds.Held again =
                    Refunds.heldAgain(payments.getOrDefault(registration, List.of()), about, held.get(registration));
            if (!again.refunds().isEmpty()) {
                withdraw(again.refunds(), now);
                covered.put(registration, again.people());
            }
        });
        return covered;
    }

    /** What is about to go back for seats given up, by registration, first to last. */
    private Map<Long, List<Refunds.Leaving>> leaving(Collection<Long> registrations) {
        return writes.sql()
                .select(PAYMENT.REGISTRATION_ID, REFUND.ID, REFUND.PEOPLE)
                .from(REFUND)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(REFUND.PAYMENT_ID))
                .where(REFUND.STATE.eq(inline("DUE")))
                .and(REFUND.CAUSE.in("GIVEN_UP", "SESSION_CANCELLED"))
                .and(PAYMENT.REGISTRATION_ID.in(registrations))
                .orderBy(REFUND.ID)
                .fetchGroups(r -> r.value1(), r -> new Refunds.Leaving(r.value2(), r.value3()));
    }

    private void withdraw(List<Long> refunds, Instant now) {
        writes.sql()
                .update(REFUND)
                .set(REFUND.STATE, "WITHDRAWN")
                .set(REFUND.DONE_AT, now)
                .where(REFUND.ID.in(refunds))
                .execute();
    }

    /** The whole of a payment that bought nothing. Part of the write that finds it so. */
    void oweAll(PaymentRecord payment, Instant now) {
        Price amount = new Price(payment.getAmountMinor(), Currency.getInstance(payment.getCurrency()));
        owe(new Refunds.Back(payment.getId(), payment.getPeople(), amount), Cause.TOO_LATE, now);
    }

    /** Gives back what is left of a payment, because an organiser says so. @return empty when nothing is left */
    @Transactional
    public Optional<Price> giveBack(long payment, Actor actor) {
        actor.requireOrganiser();
        Optional<PaymentRecord> found = writes.sql()
                .selectFrom(PAYMENT)
                .where(PAYMENT.ID.eq(payment))
                .and(PAYMENT.STATE.eq("PAID"))
                .fetchOptional();
        return found.flatMap(p -> {
            long left = p.getAmountMinor() - returned(payment);
            if (left <= 0) {
                return Optional.empty();
            }
            Price amount = new Price(left, Currency.getInstance(p.getCurrency()));
            owe(new Refunds.Back(payment, left(p), amount), Cause.BY_HAND, clock.instant());
            letters.log(p.getRegistrationId(), LogbookEntry.MONEY_BACK, Facts.of("amount", amount.inWords()), actor);
            return Optional.of(amount);
        });
    }

    private int left(PaymentRecord payment) {
        return paid(payment.getRegistrationId()).stream()
                .filter(p -> p.id() == payment.getId())
                .mapToInt(p -> p.people() - p.returned())
                .sum();
    }

    private long returned(long payment) {
        return writes.sql()
                .select(DSL.coalesce(DSL.sum(REFUND.AMOUNT_MINOR), inline(0)))
                .from(REFUND)
                .where(REFUND.PAYMENT_ID.eq(payment))
                .and(REFUND.STATE.ne(inline("WITHDRAWN")))
                .fetchSingle()
                .value1()
                .longValue();
    }

    /** A refund that is to leave. @param payment the reference of the payment it is for */
    record Due(long id, String payment, String reference, Price amount) {}

    /** What is to leave by now, the longest due first. */
    @Transactional(readOnly = true)
    List<Due> due(int most) {
        return writes.sql()
                .select(REFUND.ID, PAYMENT.REFERENCE, REFUND.REFERENCE, REFUND.AMOUNT_MINOR, PAYMENT.CURRENCY)
                .from(REFUND)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(REFUND.PAYMENT_ID))
                .where(REFUND.STATE.eq(inline("DUE")))
                .and(REFUND.DUE_AT.le(clock.instant()))
                .orderBy(REFUND.DUE_AT, REFUND.ID)
                .limit(most)
                .fetch(r -> new Due(
                        r.value1(), r.value2(), r.value3(), new Price(r.value4(), Currency.getInstance(r.value5()))));
    }

    /** Notes that money has gone back, and writes to whoever paid. Noting it twice changes nothing. */
    @Transactional
    public void gone(long refund, Actor actor) {
        actor.requireOrganiser();
        int now = writes.sql()
                .update(REFUND)
                .set(REFUND.STATE, "DONE")
                .set(REFUND.DONE_AT, clock.instant())
                .where(REFUND.ID.eq(refund))
                .and(REFUND.STATE.eq("DUE"))
                .execute();
        if (now == 1) {
            tell(refund, actor);
        }
    }

    private void tell(long refund, Actor actor) {
        var r = writes.sql()
                .select(PAYMENT.REGISTRATION_ID, REFUND.AMOUNT_MINOR, PAYMENT.CURRENCY, REFUND.REFERENCE)
                .from(REFUND)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(REFUND.PAYMENT_ID))
                .where(REFUND.ID.eq(refund))
                .fetchSingle();
        Facts amount = Facts.of("amount", new Price(r.value2(), Currency.getInstance(r.value3())).inWords());
        letters.log(r.value1(), LogbookEntry.REFUNDED, amount, actor);
        letters.write(r.value1(), Anchor.REFUNDED, r.value4(), amount);
    }
}
