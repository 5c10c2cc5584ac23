package jollyroster.roster;

import static jollyroster.platform.tables.Tables.LOGBOOK;

import java.time.Instant;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.SeatRule;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes the logbook: who did what, and why the program decided what it did. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class LogbookCommands {

    static final String PROGRAM = "Jolly Roster";
    static final String ATTENDEE = "attendee";
    private final Writes writes;

    LogbookCommands(Writes writes) {
        this.writes = writes;
    }

    void arrival(long session, RegistrationRecord r, Arrival arrival, Instant now) {
        if (arrival instanceof Arrival.Waitlisted waitlisted) {
            String why = waitlisted.because() == Arrival.Waiting.DOES_NOT_FIT
                    ? "fewer seats were free than the party of " + r.getParty() + " needs"
                    : "the free seats are owed to a party that was passed over twice";
            write(
                    session,
                    r.getId(),
                    ATTENDEE,
                    LogbookEntry.WAITLISTED,
                    "place " + waitlisted.place() + ": " + why,
                    now);
        } else {
            write(session, r.getId(), ATTENDEE, LogbookEntry.SEATED, r.getParty() + " free seats, nobody owed", now);
        }
    }

    void seatedFromLine(RegistrationRecord r, Instant now) {
        String why = "first in line whose party of " + r.getParty() + " fitted";
        write(r.getSessionId(), r.getId(), PROGRAM, LogbookEntry.SEATED_FROM_LINE, why, now);
    }

    void passedOver(long session, SeatRule.Move.PassOver move, Instant now) {
        String why = "more people than freed seats; passed over now: " + move.times();
        write(session, move.party(), PROGRAM, LogbookEntry.PASSED_OVER, why, now);
    }

    void cancelled(RegistrationRecord r, String actor, Instant now) {
        String what = r.getParty() + (r.getState().equals("WAITLISTED") ? " waiting" : " seats freed");
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.CANCELLED, what, now);
    }

    void resized(long session, String actor, int from, int to, Instant now) {
        write(session, null, actor, LogbookEntry.RESIZED, "from " + from + " to " + to, now);
    }

    void changedDate(RegistrationRecord r, String actor, long from, String fromWhen, String toWhen, Instant now) {
        write(from, r.getId(), actor, LogbookEntry.CHANGED_DATE, "to " + toWhen, now);
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.CHANGED_DATE, "from " + fromWhen, now);
    }

    void write(
            long session, @Nullable Long registration, String actor, LogbookEntry entry, String detail, Instant now) {
        writes.sql()
                .insertInto(LOGBOOK)
                .set(LOGBOOK.WRITTEN_AT, now)
                .set(LOGBOOK.ACTOR, actor)
                .set(LOGBOOK.SESSION_ID, session)
                .set(LOGBOOK.REGISTRATION_ID, registration)
                .set(LOGBOOK.ENTRY, entry.name())
                .set(LOGBOOK.DETAIL, detail)
                .execute();
    }
}
