package jollyroster.schedule;

import static jollyroster.platform.tables.Tables.CHANGE;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.ChangeRecord;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps changes as long as they can be undone. Part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class ChangeCommands {

    private final Writes writes;
    private final JsonMapper json;
    private final Clock clock;
    private final Duration grace;

    ChangeCommands(Writes writes, JsonMapper json, Clock clock, @Value("${jolly.grace:PT5M}") Duration grace) {
        this.writes = writes;
        this.json = json;
        this.clock = clock;
        this.grace = grace;
    }

    /** A change that is still kept. */
    record Kept(long id, long offering, Instant until, String words, Undoable before) {}

    /** Until when a change made now can be undone. */
    Instant until() {
        return clock.instant().plus(grace);
    }

    long keep(long offering, String words, Undoable before, Actor actor) {
        ChangeRecord row = writes.sql().newRecord(CHANGE);
        row.setOfferingId(offering);
        row.setMadeAt(clock.instant());
        row.setUntilAt(until());
        row.setActor(actor.name());
        row.setWords(words);
        row.setBefore(json.writeValueAsString(before));
        row.setIsUndone(false);
        return writes.sql()
                .insertInto(CHANGE)
                .set(row)
                .returningResult(CHANGE.ID)
                .fetchOne(CHANGE.ID);
    }

    /** The change if it can still be undone. */
    Optional<Kept> undoable(long id) {
        return writes.sql()
                .selectFrom(CHANGE)
                .where(CHANGE.ID.eq(id))
                .and(CHANGE.IS_UNDONE.isFalse())
                .and(CHANGE.UNTIL_AT.gt(clock.instant()))
                .fetchOptional(r -> new Kept(
                        r.getId(),
                        r.getOfferingId(),
                        r.getUntilAt(),
                        r.getWords(),
                        json.readValue(r.getBefore(), Undoable.class)));
    }

    /** Whether a later change to the same offering stands. */
    boolean isSuperseded(Kept change) {
        return writes.sql()
                .fetchExists(
                        CHANGE,
                        CHANGE.OFFERING_ID
                                .eq(change.offering())
                                .and(CHANGE.ID.gt(change.id()))
                                .and(CHANGE.IS_UNDONE.isFalse()));
    }

    void undone(long id) {
        writes.sql()
                .update(CHANGE)
                .set(CHANGE.IS_UNDONE, true)
                .where(CHANGE.ID.eq(id))
                .execute();
    }
}
