package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Reads;
import jollyroster.platform.tables.tables.records.ArrivalRecord;
import org.springframework.stereotype.Component;

/** Who came to a door without being expected. */
@Component
class ArrivalQueries {

    private final Reads reads;

    ArrivalQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * Somebody at a door.
     *
     * @param registration whose they turned out to be; 0 for nobody's
     * @param says what they say to the host
     * @param word what the host says to them
     * @param by who decided; empty while nobody has
     * @param left when they left, as the meeting service reports it
     */
    record Arrival(
            long id,
            long session,
            long registration,
            int generation,
            String name,
            String email,
            String says,
            Knock state,
            String word,
            Instant at,
            Optional<Instant> settled,
            String by,
            Optional<Instant> left) {

        static Arrival of(ArrivalRecord row) {
            return new Arrival(
                    row.getId(),
                    row.getSessionId(),
                    Objects.requireNonNullElse(row.getRegistrationId(), 0L),
                    row.getGeneration(),
                    row.getName(),
                    row.getEmail(),
                    row.getSays(),
                    Knock.valueOf(row.getState()),
                    row.getWord(),
                    row.getArrivedAt(),
                    Optional.ofNullable(row.getSettledAt()),
                    row.getSettledBy(),
                    Optional.ofNullable(row.getLeftAt()));
        }

        boolean isInside() {
            return state == Knock.INSIDE && left.isEmpty();
        }

        Link link() {
            return new Link(id, generation);
        }
    }

    /** In the order they came. */
    List<Arrival> of(long session) {
        return reads.sql()
                .selectFrom(ARRIVAL)
                .where(ARRIVAL.SESSION_ID.eq(session))
                .orderBy(ARRIVAL.ARRIVED_AT, ARRIVAL.ID)
                .fetch(Arrival::of);
    }

    Optional<Arrival> byLink(Link link, long session) {
        return reads.sql()
                .selectFrom(ARRIVAL)
                .where(ARRIVAL.ID.eq(link.id()))
                .and(ARRIVAL.GENERATION.eq(link.generation()))
                .and(ARRIVAL.SESSION_ID.eq(session))
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
}
