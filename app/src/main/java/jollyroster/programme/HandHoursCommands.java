package jollyroster.programme;

import static jollyroster.platform.tables.Tables.SESSION;

import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what is done to doors by hand, as part of a write that has checked who may. */
@Component
public class HandHoursCommands {

    private final Writes writes;

    HandHoursCommands(Writes writes) {
        this.writes = writes;
    }

    @Transactional
    public void move(long session, HandHours hours, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .update(SESSION)
                .set(SESSION.DOOR_OPENED_AT, hours.opened().orElse(null))
                .set(SESSION.DOOR_CLOSES_AT, hours.closes().orElse(null))
                .where(SESSION.ID.eq(session))
                .execute();
    }
}
