package jollyroster.people;

import static jollyroster.platform.tables.Tables.DIFFERENT_PEOPLE;
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
        /** Both are on one session; one of the two registrations must be cancelled first. */
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

    /** Notes that these are different people; they are no longer proposed as one. */
    @Transactional
    public void tellApart(List<Long> people, Actor actor) {
        actor.requireOrganiser();
        List<Long> known = people.stream().distinct().filter(this::isKnown).toList();
        for (long one : known) {
            known.stream()
                    .filter(other -> one < other)
                    .forEach(other -> writes.sql()
                            .insertInto(DIFFERENT_PEOPLE)
                            .set(DIFFERENT_PEOPLE.PERSON_ID, one)
                            .set(DIFFERENT_PEOPLE.OTHER_ID, other)
                            .onConflictDoNothing()
                            .execute());
        }
    }

    private boolean isKnown(long person) {
        return writes.sql().fetchExists(PERSON, PERSON.ID.eq(person));
    }
}
