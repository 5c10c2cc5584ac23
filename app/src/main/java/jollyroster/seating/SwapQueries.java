package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SWAP;
import static jollyroster.platform.tables.Tables.SWAP_DECLINED;

import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads who would like to change dates. */
@Component
public class SwapQueries {

    private final Reads reads;

    SwapQueries(Reads reads) {
        this.reads = reads;
    }

    /** An offer. @param name of who offers @param session the date offered */
    public record Offer(long id, String name, long session) {}

    /** The date a registration has offered to change for; empty when it has offered nothing. */
    public Optional<Long> wantedBy(long registration) {
        return reads.sql()
                .select(SWAP.WANTED_ID)
                .from(SWAP)
                .where(SWAP.REGISTRATION_ID.eq(registration))
                .fetchOptional(SWAP.WANTED_ID);
    }

    /** The offers a registration could agree to. */
    public List<Offer> offersTo(Registration r) {
        return reads.sql()
                .select(SWAP.ID, REGISTRATION.NAME, REGISTRATION.SESSION_ID)
                .from(SWAP)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(SWAP.REGISTRATION_ID))
                .where(SWAP.WANTED_ID.eq(r.session()))
                .and(SWAP.WITH_ID.isNull().or(SWAP.WITH_ID.eq(r.id())))
                .and(DSL.notExists(DSL.selectOne()
                        .from(SWAP_DECLINED)
                        .where(SWAP_DECLINED.SWAP_ID.eq(SWAP.ID))
                        .and(SWAP_DECLINED.REGISTRATION_ID.eq(r.id()))))
                .and(REGISTRATION.STATE.eq(RegistrationState.REGISTERED.name()))
                .and(REGISTRATION.PARTY.eq(r.party()))
                .and(REGISTRATION.PERSON_ID.ne(r.person()))
                .orderBy(SWAP.ID)
                .limit(20)
                .fetch(row -> new Offer(row.value1(), row.value2(), row.value3()));
    }
}
