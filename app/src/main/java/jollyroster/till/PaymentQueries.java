package jollyroster.till;

import static jollyroster.platform.tables.Tables.PAYMENT;
import static jollyroster.platform.tables.Tables.RECEIPT;
import static jollyroster.platform.tables.Tables.REFUND;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.sum;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import jollyroster.core.prices.Price;
import jollyroster.platform.Reads;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads payments and what has gone back of them. */
@Component
public class PaymentQueries {

    private static final int MOST = 200;
    private static final int MOST_AT_ONCE = 100_000;
    private static final Field<BigDecimal> BACK = refunded("DONE");
    private static final Field<BigDecimal> OWED = refunded("DUE");
    private final Reads reads;
    private final RegistrationQueries roster;

    PaymentQueries(Reads reads, RegistrationQueries roster) {
        this.roster = roster;
        this.reads = reads;
    }

    private static Field<BigDecimal> refunded(String state) {
        return DSL.field(select(coalesce(sum(REFUND.AMOUNT_MINOR), inline(BigDecimal.ZERO)))
                        .from(REFUND)
                        .where(REFUND.PAYMENT_ID.eq(PAYMENT.ID))
                        .and(REFUND.STATE.eq(inline(state))))
                .as("back_" + state.toLowerCase(Locale.ROOT));
    }

    /**
     * A payment.
     *
     * @param state OPEN, PAID or FAILED
     * @param back of it has gone back
     * @param owed of it is on its way back
     * @param hasReceipt whether a receipt was written
     */
    public record Payment(
            long id,
            long registration,
            Price amount,
            String state,
            Price back,
            Price owed,
            boolean hasReceipt,
            Instant startedAt) {

        public boolean isPaid() {
            return state.equals("PAID");
        }

        /** What could still go back. */
        public Price left() {
            return new Price(isPaid() ? amount.minor() - back.minor() - owed.minor() : 0, amount.currency());
        }
    }

    /** Payments of a registration, latest first. */
    public List<Payment> of(long registration) {
        return payments(PAYMENT.REGISTRATION_ID.eq(registration), MOST);
    }

    private List<Payment> payments(Condition which, int most) {
        return reads.sql()
                .select(PAYMENT.asterisk(), BACK, OWED, RECEIPT.NUMBER)
                .from(PAYMENT)
                .leftJoin(RECEIPT)
                .on(RECEIPT.PAYMENT_ID.eq(PAYMENT.ID))
                .where(which)
                .orderBy(PAYMENT.ID.desc())
                .limit(most)
                .fetch(PaymentQueries::toPayment);
    }

    private static Payment toPayment(Record r) {
        Currency currency = Currency.getInstance(r.get(PAYMENT.CURRENCY));
        return new Payment(
                r.get(PAYMENT.ID),
                r.get(PAYMENT.REGISTRATION_ID),
                new Price(r.get(PAYMENT.AMOUNT_MINOR), currency),
                r.get(PAYMENT.STATE),
                new Price(r.get(BACK).longValue(), currency),
                new Price(r.get(OWED).longValue(), currency),
                r.get(RECEIPT.NUMBER) != null,
                r.get(PAYMENT.STARTED_AT));
    }

    /** The money of registrations on one session; those without any are left out. */
    public Map<Long, Money> of(Collection<Registration> registrations, Session session) {
        Map<Long, Price> open = new HashMap<>();
        if (session.offering().signUp().isPaid()) {
            Price each = session.offering().signUp().price();
            registrations.stream().filter(r -> !r.due(each).isFree()).forEach(r -> open.put(r.id(), r.due(each)));
        }
        return of(registrations.stream().map(Registration::id).toList(), open);
    }

    /** The money of everybody who was ever on a session. */
    public Map<Long, Money> onSession(Session session) {
        List<Long> all = reads.sql()
                .select(REGISTRATION.ID)
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session.book()))
                .fetch(REGISTRATION.ID);
        return of(roster.registrations(all).values(), session);
    }

    /** The same by number. @param open what is due of each, where something is */
    public Map<Long, Money> of(Collection<Long> registrations, Map<Long, Price> open) {
        Map<Long, List<Payment>> paid = new HashMap<>();
        if (!registrations.isEmpty()) {
            payments(PAYMENT.REGISTRATION_ID.in(registrations).and(PAYMENT.STATE.eq(inline("PAID"))), MOST_AT_ONCE)
                    .forEach(p -> paid.computeIfAbsent(p.registration(), id -> new ArrayList<>())
                            .add(p));
        }
        Map<Long, Money> money = new HashMap<>();
        registrations.forEach(
                id -> Money.of(paid.getOrDefault(id, List.of()), open.get(id)).ifPresent(m -> money.put(id, m)));
        return money;
    }

    /** Money that should have gone back by now, and whose. */
    public record Stuck(long refund, long registration, long session, String name, Price amount) {}

    /** What was to go back before a time and has not. */
    public List<Stuck> stuckSince(Instant time) {
        return reads.sql()
                .select(
                        REFUND.ID,
                        PAYMENT.REGISTRATION_ID,
                        REGISTRATION.SESSION_ID,
                        REGISTRATION.NAME,
                        REFUND.AMOUNT_MINOR,
                        PAYMENT.CURRENCY)
                .from(REFUND)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(REFUND.PAYMENT_ID))
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(PAYMENT.REGISTRATION_ID))
                .where(REFUND.STATE.eq(inline("DUE")))
                .and(REFUND.DUE_AT.lt(time))
                .orderBy(REFUND.DUE_AT)
                .limit(MOST)
                .fetch(r -> new Stuck(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        new Price(r.value5(), Currency.getInstance(r.value6()))));
    }

    /** What is to go back for a registration and has not. */
    public List<Long> owed(long registration) {
        return reads.sql()
                .select(REFUND.ID)
                .from(REFUND)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(REFUND.PAYMENT_ID))
                .where(PAYMENT.REGISTRATION_ID.eq(registration))
                .and(REFUND.STATE.eq("DUE"))
                .fetch(REFUND.ID);
    }
}
