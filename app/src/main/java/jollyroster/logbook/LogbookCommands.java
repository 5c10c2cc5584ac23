package jollyroster.logbook;

import static jollyroster.platform.tables.Tables.LOGBOOK;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.platform.KeptStatement;
import jollyroster.platform.Times;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Writes the logbook: who did what, and why the program decided what it did. */
@Component
public class LogbookCommands {

    public static final String PROGRAM = "Jolly Roster";
    public static final String ATTENDEE = "attendee";
    private final Writes writes;
    private final KeptStatement insert;

    LogbookCommands(Writes writes) {
        this.writes = writes;
        this.insert = writes.keepInsert(LOGBOOK, insert -> insert);
    }

    public void arrival(long session, RegistrationRecord r, Arrival arrival, Instant now) {
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
            write(session, r.getId(), ATTENDEE, LogbookEntry.SEATED, count(r, "free seat") + ", nobody owed", now);
        }
    }

    private static String count(RegistrationRecord r, String seat) {
        return r.getParty() + " " + seat + (r.getParty() == 1 ? "" : "s");
    }

    public void seatedFromLine(RegistrationRecord r, Instant now) {
        String why = "first in line whose party of " + r.getParty() + " fitted";
        write(r.getSessionId(), r.getId(), PROGRAM, LogbookEntry.SEATED_FROM_LINE, why, now);
    }

    public void calledUp(RegistrationRecord r, Instant replyBy, boolean race, Instant now) {
        String until =
                Times.dayAndTime(replyBy, ZoneId.of(r.getZone())) + " " + Times.city(ZoneId.of(r.getZone())) + " time";
        String why = race
                ? "seats came free shortly before the start: whoever answers first has them; by " + until
                : "first in line whose party of " + r.getParty() + " fits; seats held until " + until;
        write(r.getSessionId(), r.getId(), PROGRAM, LogbookEntry.CALLED_UP, why, now);
    }

    public void confirmed(RegistrationRecord r, Instant now) {
        write(
                r.getSessionId(),
                r.getId(),
                ATTENDEE,
                LogbookEntry.CONFIRMED,
                count(r, "seat") + " held until then",
                now);
    }

    public void accepted(RegistrationRecord r, String actor, Instant now) {
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.ACCEPTED, count(r, "seat") + ", in time", now);
    }

    public void declined(RegistrationRecord r, String actor, Instant now) {
        write(
                r.getSessionId(),
                r.getId(),
                actor,
                LogbookEntry.DECLINED,
                count(r, "seat") + " freed; left the line",
                now);
    }

    public void outrun(RegistrationRecord r, Instant now) {
        String why = "others answered first and too few seats are left; keeps the place in line";
        write(r.getSessionId(), r.getId(), PROGRAM, LogbookEntry.OUTRUN, why, now);
    }

    public void ranOut(RegistrationRecord r, String why, Duration late, Instant now) {
        String seen = late.toMinutes() > 0 ? ", seen " + Times.length(late) + " later" : "";
        write(
                r.getSessionId(),
                r.getId(),
                PROGRAM,
                LogbookEntry.RAN_OUT,
                why + seen + "; " + count(r, "seat") + " freed",
                now);
    }

    public void amended(RegistrationRecord r, String actor, int party, Instant now) {
        if (r.getParty() == party) {
            write(r.getSessionId(), r.getId(), actor, LogbookEntry.AMENDED, "answers or companions", now);
        }
    }

    public void resizedParty(RegistrationRecord r, String actor, int party, Instant now) {
        String what = "from " + r.getParty() + " to " + party + " people";
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.AMENDED, what, now);
    }

    public void swapOffered(RegistrationRecord r, String actor, String when, Instant now) {
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.SWAP_OFFERED, "for " + when, now);
    }

    public void added(RegistrationRecord r, String actor, boolean seated, boolean keptBack, Instant now) {
        String what = seated ? count(r, "seat") + (keptBack ? ", kept-back ones among them" : "") : "waits in line";
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.ADDED, what, now);
    }

    public void restored(RegistrationRecord r, String actor, Instant now) {
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.RESTORED, count(r, "free seat") + ", nobody owed", now);
    }

    public void replied(RegistrationRecord r, String reply, Instant now) {
        String people = reply.equals("yes") ? ", " + r.getParty() + (r.getParty() == 1 ? " person" : " people") : "";
        String waits =
                r.getState().equals(RegistrationState.WAITLISTED.name()) ? "; waits, as too few seats are free" : "";
        write(r.getSessionId(), r.getId(), ATTENDEE, LogbookEntry.REPLIED, reply + people + waits, now);
    }

    public void paid(RegistrationRecord r, String amount, Instant now) {
        write(r.getSessionId(), r.getId(), ATTENDEE, LogbookEntry.PAID, amount, now);
    }

    public void merged(RegistrationRecord r, String actor, Instant now) {
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.MERGED, "was registered under another address", now);
    }

    public void seatedAnyway(RegistrationRecord r, String actor, String why, int over, Instant now) {
        String full = over > 0 ? "; " + over + " over the seats" : "";
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.SEATED_ANYWAY, why + full, now);
    }

    public void passedOver(long session, SeatRule.Move.PassOver move, Instant now) {
        String why = "more people than freed seats; passed over now: " + move.times();
        write(session, move.party(), PROGRAM, LogbookEntry.PASSED_OVER, why, now);
    }

    /** The same for everybody who waits, because a newcomer took seats; after it was counted. */
    public void passedOverAll(long session, Condition waiting, int party, Instant now) {
        String why = "a party of " + party + " fitted into the free seats; passed over now: ";
        writes.sql()
                .insertInto(
                        LOGBOOK,
                        LOGBOOK.WRITTEN_AT,
                        LOGBOOK.ACTOR,
                        LOGBOOK.SESSION_ID,
                        LOGBOOK.REGISTRATION_ID,
                        LOGBOOK.ENTRY,
                        LOGBOOK.DETAIL)
                .select(writes.sql()
                        .select(
                                DSL.val(now, LOGBOOK.WRITTEN_AT),
                                DSL.val(PROGRAM),
                                DSL.val(session),
                                REGISTRATION.ID,
                                DSL.val(LogbookEntry.PASSED_OVER.name()),
                                DSL.val(why).concat(REGISTRATION.PASSED_OVER.cast(String.class)))
                        .from(REGISTRATION)
                        .where(waiting))
                .execute();
    }

    public void cancelled(RegistrationRecord r, String actor, String why, Instant now) {
        String freed = r.getState().equals("WAITLISTED") ? r.getParty() + " waiting" : count(r, "seat") + " freed";
        String what = why.isEmpty() ? freed : freed + "; says: " + why;
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.CANCELLED, what, now);
    }

    /** @param why the reason to be over-full; empty when it is not */
    public void resized(long session, String actor, int from, int to, String why, Instant now) {
        String over = why.isEmpty() ? "" : "; over-full: " + why;
        write(session, null, actor, LogbookEntry.RESIZED, "from " + from + " to " + to + over, now);
    }

    public void changedDate(
            RegistrationRecord r, String actor, long from, String fromWhen, String toWhen, Instant now) {
        write(from, r.getId(), actor, LogbookEntry.CHANGED_DATE, "to " + toWhen, now);
        write(r.getSessionId(), r.getId(), actor, LogbookEntry.CHANGED_DATE, "from " + fromWhen, now);
    }

    public void write(
            long session, @Nullable Long registration, String actor, LogbookEntry entry, String detail, Instant now) {
        insert.run(now, actor, session, registration, entry.name(), detail);
    }
}
