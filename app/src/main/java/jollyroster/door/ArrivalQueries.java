package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;

import java.util.List;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.door.Arrival.Kind;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Who came to a door without being expected. */
@Component
class ArrivalQueries {

    private final Reads reads;

    ArrivalQueries(Reads reads) {
        this.reads = reads;
    }

    /** Those who had to knock, in the order they came. */
    List<Arrival> of(long session) {
        return reads.sql()
                .selectFrom(ARRIVAL)
                .where(ARRIVAL.SESSION_ID.eq(session))
                .and(ARRIVAL.KIND.ne(Kind.LET_IN.name()))
                .orderBy(ARRIVAL.ARRIVED_AT, ARRIVAL.ID)
                .fetch(Arrival::of);
    }

    Optional<Arrival> byLink(Link link, long session) {
        return byLink(link).filter(a -> a.session() == session);
    }

    Optional<Arrival> byLink(Link link) {
        return reads.sql()
                .selectFrom(ARRIVAL)
                .where(ARRIVAL.ID.eq(link.id()))
                .and(ARRIVAL.GENERATION.eq(link.generation()))
                .fetchOptional(Arrival::of);
    }

    /** How many wait at the door who came before. */
    int before(Arrival waiting) {
        return reads.sql()
                .fetchCount(
                        ARRIVAL,
                        ARRIVAL.SESSION_ID.eq(waiting.session()),
                        ARRIVAL.STATE.in(Knock.WAITING.name(), Knock.ASKED_TO_WAIT.name()),
                        ARRIVAL.ARRIVED_AT
                                .lt(waiting.at())
                                .or(ARRIVAL.ARRIVED_AT.eq(waiting.at()).and(ARRIVAL.ID.lt(waiting.id()))));
    }

    /** Whether somebody was barred who is that registration. */
    boolean isBarred(long session, long registration) {
        return reads.sql()
                .fetchExists(
                        ARRIVAL,
                        ARRIVAL.REGISTRATION_ID.eq(registration),
                        ARRIVAL.SESSION_ID.eq(session),
                        ARRIVAL.STATE.eq(Knock.BARRED.name()));
    }
}
