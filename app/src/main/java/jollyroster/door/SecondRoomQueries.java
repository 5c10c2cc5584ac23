package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;
import static jollyroster.platform.tables.Tables.CONNECTION;
import static jollyroster.platform.tables.Tables.SECOND_ROOM;
import static jollyroster.platform.tables.Tables.SECOND_ROOM_PERSON;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.selectOne;

import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.platform.Reads;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Reads who is in the second room of a session. */
@Component
class SecondRoomQueries {

    private final Reads reads;

    SecondRoomQueries(Reads reads) {
        this.reads = reads;
    }

    /** Whether a session has one once its first is full. */
    static boolean has(Session session) {
        return session.offering().door().secondRoom() && Entrances.isReported(session);
    }

    /** By which the meeting service knows it; empty before it is made. */
    Optional<String> place(long session) {
        return reads.sql()
                .selectFrom(SECOND_ROOM)
                .where(SECOND_ROOM.SESSION_ID.eq(session))
                .fetchOptional(SECOND_ROOM.MEETING_PLACE);
    }

    /** How many are inside it. */
    int inside(long session) {
        return reads.sql().fetchCount(SECOND_ROOM_PERSON, SECOND_ROOM_PERSON.SESSION_ID.eq(session), isThere(session));
    }

    private static Condition isThere(long session) {
        return exists(selectOne()
                        .from(CONNECTION)
                        .where(CONNECTION.SESSION_ID.eq(session))
                        .and(CONNECTION.REGISTRATION_ID.eq(SECOND_ROOM_PERSON.REGISTRATION_ID))
                        .and(CONNECTION.LEFT_AT.isNull()))
                .or(exists(selectOne()
                        .from(ARRIVAL)
                        .where(ARRIVAL.ID.eq(SECOND_ROOM_PERSON.ARRIVAL_ID))
                        .and(ARRIVAL.STATE.eq(Knock.INSIDE.name()))
                        .and(ARRIVAL.LEFT_AT.isNull())));
    }
}
