package jollyroster.programme;

import static jollyroster.platform.tables.Tables.SESSION;

import java.util.List;
import java.util.OptionalInt;
import jollyroster.core.dates.SessionTime;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Sessions that are times somebody picked in open hours. Each call is part of the write that gives or frees the seat. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class PickedCommands {

    private final Writes writes;
    private final SessionCommands sessions;

    PickedCommands(Writes writes, SessionCommands sessions) {
        this.writes = writes;
        this.sessions = sessions;
    }

    /**
     * Adds a time with the seats and the venue of its offering.
     *
     * @param hosts who lead it, at least one
     * @return its number
     */
    public long add(long offering, SessionTime time, List<Long> hosts) {
        long added = sessions.add(
                sessions.offering(offering), new SessionCommands.NewDate(time, OptionalInt.empty(), null, hosts));
        sessions.wantLinks(offering);
        return added;
    }

    /** Takes a time away again that was added a moment ago and that nobody was registered for after all. */
    public void drop(long session) {
        writes.sql().deleteFrom(SESSION).where(SESSION.ID.eq(session)).execute();
    }

    /** A time that nobody has any more may be picked anew, by whoever comes first. */
    public void giveBack(long session) {
        writes.sql()
                .update(SESSION)
                .set(SESSION.IS_GIVEN_BACK, true)
                .where(SESSION.ID.eq(session))
                .execute();
    }
}
