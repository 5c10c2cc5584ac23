package jollyroster.turns;

import static jollyroster.platform.tables.Tables.TURN;

import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads the line of a session. */
@Component
public class TurnQueries {

    private final Reads reads;

    TurnQueries(Reads reads) {
        this.reads = reads;
    }

    /** All of a session, those given up left out, in the order they were asked for. */
    public List<Turn> of(long session) {
        return reads.sql()
                .selectFrom(TURN)
                .where(TURN.SESSION_ID.eq(session))
                .and(TURN.STATE.ne(Turn.State.GONE.name()))
                .orderBy(TURN.ASKED_AT, TURN.ID)
                .fetch(Turn::of);
    }

    Optional<Turn> turn(long id) {
        return reads.sql().selectFrom(TURN).where(TURN.ID.eq(id)).fetchOptional(Turn::of);
    }
}
