package jollyroster.turns;

import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.TurnLine;
import jollyroster.platform.tables.tables.records.TurnRecord;

/**
 * One-to-one time that somebody asked for.
 *
 * @param registration theirs; 0 for a guest
 * @param arrival a guest's; 0 for somebody registered
 * @param out since when they have stepped out
 * @param host whom they had it with
 * @param note the host's
 * @param room of the meeting service; empty while it has not made one
 */
public record Turn(
        long id,
        long session,
        long registration,
        long arrival,
        String name,
        State state,
        Instant asked,
        Optional<Instant> out,
        Optional<Instant> began,
        Optional<Instant> ended,
        String host,
        String note,
        String room) {

    /** How a turn stands. */
    public enum State {
        WAITING,
        /** With the host. */
        CALLED,
        DONE,
        /** Gave the place up. */
        GONE
    }

    static Turn of(TurnRecord row) {
        return new Turn(
                row.getId(),
                row.getSessionId(),
                Objects.requireNonNullElse(row.getRegistrationId(), 0L),
                Objects.requireNonNullElse(row.getArrivalId(), 0L),
                row.getName(),
                State.valueOf(row.getState()),
                row.getAskedAt(),
                Optional.ofNullable(row.getOutAt()),
                Optional.ofNullable(row.getBeganAt()),
                Optional.ofNullable(row.getEndedAt()),
                row.getHost(),
                row.getNote(),
                row.getRoom());
    }

    /** How long it took, or has taken so far; never less than nothing, should the clock have been set back. */
    Duration length(Instant now) {
        Instant until = ended.orElse(now);
        return began.filter(until::isAfter)
                .map(since -> Duration.between(since, until))
                .orElse(Duration.ZERO);
    }

    /** Whether somebody who stepped out has been away for longer than the place is kept. */
    boolean isAway(Instant now) {
        return out.filter(since -> !TurnLine.keepsPlace(since, now)).isPresent();
    }
}
