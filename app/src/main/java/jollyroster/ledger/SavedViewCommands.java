package jollyroster.ledger;

import static jollyroster.platform.tables.Tables.SAVED_VIEW;

import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the views of the programme that members of the team save for themselves. */
@Component
class SavedViewCommands {

    private static final int MOST = 30;
    private final Writes writes;

    SavedViewCommands(Writes writes) {
        this.writes = writes;
    }

    /** Keeps a view under a name; one of the same name is replaced. @return false when there are too many */
    @Transactional
    public boolean save(long member, String name, String query, Actor actor) {
        actor.requireTeam();
        if (writes.sql().fetchCount(SAVED_VIEW, SAVED_VIEW.ACCOUNT_ID.eq(member)) >= MOST) {
            return false;
        }
        writes.sql()
                .insertInto(SAVED_VIEW)
                .set(SAVED_VIEW.ACCOUNT_ID, member)
                .set(SAVED_VIEW.NAME, name)
                .set(SAVED_VIEW.QUERY, query)
                .onConflict(SAVED_VIEW.ACCOUNT_ID, SAVED_VIEW.NAME)
                .doUpdate()
                .set(SAVED_VIEW.QUERY, query)
                .execute();
        return true;
    }

    @Transactional
    public void forget(long member, long view, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .deleteFrom(SAVED_VIEW)
                .where(SAVED_VIEW.ID.eq(view))
                .and(SAVED_VIEW.ACCOUNT_ID.eq(member))
                .execute();
    }
}
