package jollyroster.door;

import static jollyroster.platform.tables.Tables.DOOR_NOTE;

import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads what the host says to all who wait. */
@Component
class DoorNoteQueries {

    private final Reads reads;

    DoorNoteQueries(Reads reads) {
        this.reads = reads;
    }

    /** Empty for nothing. */
    String of(long session) {
        return reads.sql()
                .select(DOOR_NOTE.NOTE)
                .from(DOOR_NOTE)
                .where(DOOR_NOTE.SESSION_ID.eq(session))
                .fetchOptional(DOOR_NOTE.NOTE)
                .orElse("");
    }
}
