package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TILL_SLIP;

import java.util.Optional;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads the slips of the till stand-in. */
@Component
class TillQueries {

    private final Reads reads;

    TillQueries(Reads reads) {
        this.reads = reads;
    }

    /** @param back where the payer came from */
    record Slip(String reference, String what, String amount, String back, boolean paid) {}

    Optional<Slip> slip(String reference) {
        return reads.sql()
                .selectFrom(TILL_SLIP)
                .where(TILL_SLIP.REFERENCE.eq(reference))
                .fetchOptional(s -> new Slip(
                        s.getReference(),
                        s.getWhat(),
                        s.getAmount(),
                        s.getBack(),
                        s.getOutcome().equals("PAID")));
    }
}
