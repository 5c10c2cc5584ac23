package jollyroster.door;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.tables.tables.records.ArrivalRecord;

/**
 * Somebody at a door.
 *
 * @param registration whose they turned out to be; 0 for nobody's
 * @param says what they say to the host
 * @param proven whether a mailed code has shown that the address is theirs
 * @param word what the host says to them
 * @param by who decided; empty while nobody has
 * @param left when they left, as the meeting service reports it
 */
public record Arrival(
        long id,
        Kind kind,
        long session,
        long registration,
        int generation,
        String name,
        String email,
        String says,
        boolean proven,
        Knock state,
        String word,
        Instant at,
        Optional<Instant> settled,
        String by,
        Optional<Instant> left) {

    static Arrival of(ArrivalRecord row) {
        return new Arrival(
                row.getId(),
                Kind.valueOf(row.getKind()),
                row.getSessionId(),
                Objects.requireNonNullElse(row.getRegistrationId(), 0L),
                row.getGeneration(),
                row.getName(),
                row.getEmail(),
                row.getSays(),
                row.getIsProven(),
                Knock.valueOf(row.getState()),
                row.getWord(),
                row.getArrivedAt(),
                Optional.ofNullable(row.getSettledAt()),
                row.getSettledBy(),
                Optional.ofNullable(row.getLeftAt()));
    }

    /** Why somebody is there. */
    public enum Kind {
        /** With a guest link. */
        GUEST,
        /** Registered, where everybody knocks. */
        KNOCKS,
        /** With a personal link that somebody is inside with. */
        SECOND,
        /** Went in by their own link, where no service reports it. */
        LET_IN
    }

    boolean isInside() {
        return state == Knock.INSIDE && left.isEmpty();
    }

    Link link() {
        return new Link(id, generation);
    }
}
