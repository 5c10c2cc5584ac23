package jollyroster.roster;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Clock;
import java.util.List;
import jollyroster.platform.Permissions;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** Makes one person of two who are the same. */
@Component
public class MergeCommands {

    private final Writes writes;
    private final LogbookCommands logbook;
    private final Permissions permissions;
    private final Clock clock;

    MergeCommands(Writes writes, LogbookCommands logbook, Permissions permissions, Clock clock) {
        this.writes = writes;
        this.logbook = logbook;
        this.permissions = permissions;
        this.clock = clock;
    }

    /** What came of it. */
    public enum Merged {
        DONE,
        /** Both are on one session; one of the two registrations must be given back first. */
        BOTH_ON_ONE_SESSION,
        UNKNOWN
    }

    /** Gives all registrations of one person to another, whose name and address stay, and forgets the first. */
    @Transactional
    public Merged merge(long from, long into, String actor) {
        permissions.requireOrganiser();
        if (from == into || !isKnown(from) || !isKnown(into)) {
            return Merged.UNKNOWN;
        }
        List<RegistrationRecord> moved = writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(from))
                .fetch();
        try {
            writes.sql()
                    .update(REGISTRATION)
                    .set(REGISTRATION.PERSON_ID, into)
                    .where(REGISTRATION.PERSON_ID.eq(from))
                    .execute();
        } catch (IntegrityConstraintViolationException twiceOnOneSession) {
            TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
            return Merged.BOTH_ON_ONE_SESSION;
        }
        moved.forEach(r -> logbook.merged(r, actor, clock.instant()));
        writes.sql().deleteFrom(PERSON).where(PERSON.ID.eq(from)).execute();
        return Merged.DONE;
    }

    private boolean isKnown(long person) {
        return writes.sql().fetchExists(PERSON, PERSON.ID.eq(person));
    }
}
