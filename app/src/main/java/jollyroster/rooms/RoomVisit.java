package jollyroster.rooms;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.tables.tables.records.RoomVisitRecord;

/**
 * Somebody who has come to a standing room.
 *
 * @param meeting that they were let into; 0 while they wait
 * @param account of the host who it is; 0 for a guest
 * @param email empty where none was asked for
 * @param says what they say to the host
 * @param word what the host says to them
 * @param entered when they were let in last
 */
public record RoomVisit(
        long id,
        long room,
        long meeting,
        long account,
        int generation,
        String name,
        String email,
        String says,
        Knock state,
        String word,
        Instant arrived,
        Optional<Instant> entered) {

    public Link link() {
        return new Link(id, generation);
    }

    static RoomVisit of(RoomVisitRecord row) {
        return new RoomVisit(
                row.getId(),
                row.getRoomId(),
                Objects.requireNonNullElse(row.getMeetingId(), 0L),
                Objects.requireNonNullElse(row.getAccountId(), 0L),
                row.getGeneration(),
                row.getName(),
                row.getEmail(),
                row.getSays(),
                Knock.valueOf(row.getState()),
                row.getWord(),
                row.getArrivedAt(),
                Optional.ofNullable(row.getEnteredAt()));
    }
}
