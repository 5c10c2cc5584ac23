package jollyroster.door;

import static jollyroster.platform.tables.Tables.DOOR_NOTE;

import java.time.Clock;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the host says to all who wait at a door. */
@Component
class DoorNoteCommands {

    private final DoorKeepers keepers;
    private final Writes writes;
    private final Clock clock;

    DoorNoteCommands(DoorKeepers keepers, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.writes = writes;
        this.clock = clock;
    }

    /** @param note empty to take it away */
    @Transactional
    public void say(long session, String note, Actor actor) {
        keepers.session(session, actor, clock.instant());
        writes.sql()
                .deleteFrom(DOOR_NOTE)
                .where(DOOR_NOTE.SESSION_ID.eq(session))
                .execute();
        Optional.of(note)
                .filter(text -> !text.isEmpty())
                .ifPresent(text -> writes.sql()
                        .insertInto(DOOR_NOTE)
                        .set(DOOR_NOTE.SESSION_ID, session)
                        .set(DOOR_NOTE.NOTE, text)
                        .set(DOOR_NOTE.NOTED_AT, clock.instant())
                        .execute());
    }
}
