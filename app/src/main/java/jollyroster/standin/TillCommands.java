package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TILL_REFUND;
import static jollyroster.platform.tables.Tables.TILL_SLIP;

import java.time.Clock;
import jollyroster.core.prices.Price;
import jollyroster.platform.Address;
import jollyroster.platform.Writes;
import jollyroster.till.TillProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The till stand-in: takes no money, but does everything else a till does. */
@Component
class TillCommands implements TillProvider {

    private final Writes writes;
    private final Address address;
    private final Clock clock;

    TillCommands(Writes writes, Address address, Clock clock) {
        this.writes = writes;
        this.address = address;
        this.clock = clock;
    }

    @Override
    @Transactional
    public String open(String reference, String what, Price amount, String back) {
        writes.sql()
                .insertInto(TILL_SLIP)
                .set(TILL_SLIP.REFERENCE, reference)
                .set(TILL_SLIP.WHAT, what)
                .set(TILL_SLIP.AMOUNT, amount.inWords())
                .set(TILL_SLIP.BACK, back)
                .set(TILL_SLIP.OUTCOME, "OPEN")
                .set(TILL_SLIP.OPENED_AT, clock.instant())
                .onConflictDoNothing()
                .execute();
        return address.of("/standin/till/" + reference);
    }

    @Override
    @Transactional
    public void refund(String payment, String reference, Price amount) {
        writes.sql()
                .insertInto(TILL_REFUND)
                .set(TILL_REFUND.REFERENCE, reference)
                .set(TILL_REFUND.PAYMENT, payment)
                .set(TILL_REFUND.AMOUNT, amount.inWords())
                .set(TILL_REFUND.MADE_AT, clock.instant())
                .onConflictDoNothing()
                .execute();
    }

    /** @return false when the slip is unknown or was paid before */
    @Transactional
    boolean settle(String reference, String outcome) {
        return writes.sql()
                        .update(TILL_SLIP)
                        .set(TILL_SLIP.OUTCOME, outcome)
                        .where(TILL_SLIP.REFERENCE.eq(reference))
                        .and(TILL_SLIP.OUTCOME.ne("PAID"))
                        .execute()
                == 1;
    }
}
