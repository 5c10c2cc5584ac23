package jollyroster.till;

import static jollyroster.platform.tables.Tables.PAYMENT;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.util.Currency;
import java.util.List;
import jollyroster.core.prices.Price;
import jollyroster.platform.Reads;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads payments. */
@Component
public class PaymentQueries {

    private final Reads reads;

    PaymentQueries(Reads reads) {
        this.reads = reads;
    }

    /** A payment. @param state OPEN, PAID, FAILED, REFUND_DUE or REFUNDED */
    public record Payment(
            long id, long registration, long session, String name, Price amount, String state, Instant startedAt) {}

    /** Payments of a registration, latest first. */
    public List<Payment> of(long registration) {
        return payments(PAYMENT.REGISTRATION_ID.eq(registration));
    }

    /** Money that is owed back. */
    public List<Payment> owed() {
        return payments(PAYMENT.STATE.eq(DSL.inline("REFUND_DUE")));
    }

    private List<Payment> payments(org.jooq.Condition which) {
        return reads.sql()
                .select(PAYMENT.asterisk(), REGISTRATION.NAME, REGISTRATION.SESSION_ID)
                .from(PAYMENT)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(PAYMENT.REGISTRATION_ID))
                .where(which)
                .orderBy(PAYMENT.ID.desc())
                .limit(200)
                .fetch(r -> new Payment(
                        r.get(PAYMENT.ID),
                        r.get(PAYMENT.REGISTRATION_ID),
                        r.get(REGISTRATION.SESSION_ID),
                        r.get(REGISTRATION.NAME),
                        new Price(r.get(PAYMENT.AMOUNT_MINOR), Currency.getInstance(r.get(PAYMENT.CURRENCY))),
                        r.get(PAYMENT.STATE),
                        r.get(PAYMENT.STARTED_AT)));
    }
}
