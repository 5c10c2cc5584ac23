package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.util.List;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.people.Belongings;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.springframework.stereotype.Component;

/** Gives the registrations of one person to another who is the same. */
@Component
class CarryCommands implements Belongings {

    private final Writes writes;
    private final LogbookCommands logbook;

    CarryCommands(Writes writes, LogbookCommands logbook) {
        this.writes = writes;
        this.logbook = logbook;
    }

    @Override
    public boolean carryOver(long from, long into, Actor actor, Instant now) {
        List<RegistrationRecord> carried = writes.sql()
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
            return false;
        }
        carried.forEach(r -> logbook.write(r.getSessionId(), r.getId(), actor, LogbookEntry.MERGED, Facts.none(), now));
        return true;
    }
}
