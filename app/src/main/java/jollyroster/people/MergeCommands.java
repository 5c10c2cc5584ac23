package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;

import java.time.Clock;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** Makes one person of two who are the same. */
@Component
public class MergeCommands {

    private final Writes writes;
    private final List<Belongings> belongings;
    private final Clock clock;

    MergeCommands(Writes writes, List<Belongings> belongings, Clock clock) {
        this.writes = writes;
        this.belongings = List.copyOf(belongings);
        this.clock = clock;
    }

    /** What came of it. */
    public enum Merged {
        DONE,
        /** Both are on one session; one of the two registrations must be given back first. */
        BOTH_ON_ONE_SESSION,
        UNKNOWN
    }

    /** Gives all that one person has to another, whose name and address stay, and forgets the first. */
    @Transactional
    public Merged merge(long from, long into, Actor actor) {
        actor.requireOrganiser();
        if (from == into || !isKnown(from) || !isKnown(into)) {
            return Merged.UNKNOWN;
        }
        for (Belongings all : belongings) {
            if (!all.carryOver(from, into, actor, clock.instant())) {
                TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
                return Merged.BOTH_ON_ONE_SESSION;
            }
        }
        writes.sql().deleteFrom(PERSON).where(PERSON.ID.eq(from)).execute();
        return Merged.DONE;
    }

    private boolean isKnown(long person) {
        return writes.sql().fetchExists(PERSON, PERSON.ID.eq(person));
    }
}
