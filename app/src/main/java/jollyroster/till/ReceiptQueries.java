package jollyroster.till;

import static jollyroster.platform.tables.Tables.PAYMENT;
import static jollyroster.platform.tables.Tables.RECEIPT;
import static jollyroster.platform.tables.Tables.REFUND;

import java.time.Instant;
import java.util.Currency;
import java.util.List;
import java.util.Optional;
import jollyroster.core.prices.Price;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads receipts. */
@Component
public class ReceiptQueries {

    private final Reads reads;

    ReceiptQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * A receipt, with what has gone back since.
     *
     * @param number such as {@code 2027-0012}
     * @param held when the session was to be, in its zone, when the receipt was written
     */
    public record Receipt(
            long payment,
            long registration,
            String number,
            String payer,
            String email,
            String what,
            String held,
            int people,
            Price amount,
            Instant writtenAt,
            List<Back> refunds) {}

    /** Money that has gone back. */
    public record Back(Price amount, Instant at) {}

    /** The receipt of a payment; empty when there is none. */
    public Optional<Receipt> of(long payment) {
        return reads.sql()
                .select(RECEIPT.asterisk(), PAYMENT.asterisk())
                .from(RECEIPT)
                .join(PAYMENT)
                .on(PAYMENT.ID.eq(RECEIPT.PAYMENT_ID))
                .where(RECEIPT.PAYMENT_ID.eq(payment))
                .fetchOptional(r -> new Receipt(
                        payment,
                        r.get(PAYMENT.REGISTRATION_ID),
                        ReceiptCommands.number(r.get(RECEIPT.YEAR), r.get(RECEIPT.NUMBER)),
                        r.get(RECEIPT.PAYER),
                        r.get(RECEIPT.EMAIL),
                        r.get(RECEIPT.WHAT),
                        r.get(RECEIPT.HELD),
                        r.get(PAYMENT.PEOPLE),
                        new Price(r.get(PAYMENT.AMOUNT_MINOR), Currency.getInstance(r.get(PAYMENT.CURRENCY))),
                        r.get(RECEIPT.WRITTEN_AT),
                        refunds(payment, Currency.getInstance(r.get(PAYMENT.CURRENCY)))));
    }

    private List<Back> refunds(long payment, Currency currency) {
        return reads.sql()
                .select(REFUND.AMOUNT_MINOR, REFUND.DONE_AT)
                .from(REFUND)
                .where(REFUND.PAYMENT_ID.eq(payment))
                .and(REFUND.STATE.eq("DONE"))
                .orderBy(REFUND.ID)
                .fetch(r -> new Back(new Price(r.value1(), currency), r.value2()));
    }
}
