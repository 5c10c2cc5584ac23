package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SEAT_COUNT;
import static jollyroster.platform.tables.Tables.SESSION;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.param;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SeatTally;
import jollyroster.platform.KeptInsert;
import jollyroster.platform.KeptQuery;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** The rows behind the seat rule. Decides nothing; every method is part of a write that is under way. */
@Component
class SeatCommands {

    private static final String WAITLISTED = RegistrationState.WAITLISTED.name();
    static final List<String> ACTIVE = RegistrationState.namesOf(RegistrationState.ACTIVE);
    private final Writes writes;
    private final KeptQuery tally;
    private final KeptQuery bySubmission;
    private final KeptInsert<RegistrationRecord> insert;

    SeatCommands(Writes writes) {
        this.writes = writes;
        this.tally = writes.keep(SeatCommands::tally);
        this.bySubmission = writes.keep(sql -> sql.select(REGISTRATION.ID)
                .from(REGISTRATION)
                .where(REGISTRATION.SUBMISSION.eq(param("submission", REGISTRATION.SUBMISSION))));
        this.insert = writes.keepInsert(REGISTRATION, insert -> insert);
    }

    /** How full the session is, in one query. */
    SeatTally tally(Session session) {
        return tally.first(
                        SeatCommands::toTally,
                        Map.of(
                                "session",
                                session.id(),
                                "open",
                                session.capacity().open()))
                .orElseThrow();
    }

    private static SeatTally toTally(ResultSet row, int at) throws SQLException {
        int racing = row.getInt("racing");
        return new SeatTally(row.getInt("taken"), row.getInt("waiting_parties") + racing, row.getInt("owed") + racing);
    }

    private static Select<?> tally(DSLContext sql) {
        Field<Integer> owed = DSL.field(DSL.selectCount()
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(param("session", REGISTRATION.SESSION_ID)))
                .and(REGISTRATION.STATE.eq(inline(WAITLISTED)))
                .and(REGISTRATION.PASSED_OVER.ge(inline(SeatRule.MOST_PASS_OVERS)))
                .and(REGISTRATION.PARTY.le(param("open", REGISTRATION.PARTY))));
        Field<Integer> racing = DSL.field(DSL.selectCount()
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(param("session", REGISTRATION.SESSION_ID)))
                .and(REGISTRATION.IS_RACING.eq(inline(true))));
        return sql.select(SEAT_COUNT.TAKEN, SEAT_COUNT.WAITING_PARTIES, owed.as("owed"), racing.as("racing"))
                .from(SEAT_COUNT)
                .where(SEAT_COUNT.SESSION_ID.eq(param("session", SEAT_COUNT.SESSION_ID)));
    }

    /** The waitlist in order. */
    List<SeatRule.Waiter> line(long session) {
        return waiters(session, REGISTRATION.STATE.eq(inline(WAITLISTED)));
    }

    /** Those who race for seats, in the order of the line. */
    List<SeatRule.Waiter> racing(long session) {
        return waiters(session, REGISTRATION.IS_RACING.eq(inline(true)));
    }

    private List<SeatRule.Waiter> waiters(long session, Condition which) {
        return writes.sql()
                .select(REGISTRATION.ID, REGISTRATION.PARTY, REGISTRATION.PASSED_OVER)
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(which)
                .orderBy(REGISTRATION.WAITING_SINCE, REGISTRATION.ID)
                .fetch(r -> new SeatRule.Waiter(r.value1(), r.value2(), r.value3()));
    }

    /** What is held or offered no longer than until {@code now}, the longest overdue first. */
    List<Long> heldUntil(Instant now, int most) {
        return writes.sql()
                .select(REGISTRATION.ID)
                .from(REGISTRATION)
                .where(REGISTRATION.HELD_UNTIL.le(now))
                .orderBy(REGISTRATION.HELD_UNTIL, REGISTRATION.ID)
                .limit(most)
                .fetch(REGISTRATION.ID);
    }

    Optional<RegistrationRecord> byId(long registration) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.ID.eq(registration))
                .fetchOptional();
    }

    /** The registration that this very form made before. */
    Optional<RegistrationRecord> bySubmission(String submission) {
        return submission.isEmpty()
                ? Optional.empty()
                : bySubmission
                        .first((row, at) -> row.getLong(1), Map.of("submission", submission))
                        .flatMap(this::byId);
    }

    Optional<RegistrationRecord> active(long session, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.PERSON_ID.eq(person))
                .and(REGISTRATION.STATE.in(ACTIVE))
                .fetchOptional();
    }

    int countActiveOn(Collection<Long> sessions, long person) {
        return writes.sql()
                .fetchCount(
                        REGISTRATION,
                        REGISTRATION
                                .PERSON_ID
                                .eq(person)
                                .and(REGISTRATION.SESSION_ID.in(sessions))
                                .and(REGISTRATION.STATE.in(ACTIVE)));
    }

    /** Where the person is active on any of these sessions. */
    Optional<RegistrationRecord> activeOn(Collection<Long> sessions, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(person))
                .and(REGISTRATION.SESSION_ID.in(sessions))
                .and(REGISTRATION.STATE.in(ACTIVE))
                .orderBy(REGISTRATION.ID)
                .limit(1)
                .fetchOptional();
    }

    RegistrationRecord add(Application asked, long person, SeatRow seat, Instant now) {
        RegistrationRecord row = new RegistrationRecord();
        row.setSessionId(asked.session());
        row.setPersonId(person);
        row.setGeneration(1);
        row.setName(asked.name());
        row.setZone(asked.zone().getId());
        row.setCompanions(String.join("\n", asked.companions()));
        row.setSubmission(asked.submission().isEmpty() ? null : asked.submission());
        row.setCreatedAt(now);
        row.setChangedAt(now);
        row.setSequence(0);
        row.setIsReminded(true);
        row.setIsMarked(false);
        row.setNote("");
        fill(row, seat);
        row.setId(insert.add(row));
        return row;
    }

    private static void fill(RegistrationRecord row, SeatRow seat) {
        row.setState(seat.state().name());
        row.setParty(seat.party());
        row.setPassedOver(seat.passedOver());
        row.setHeldUntil(seat.heldUntil());
        row.setIsRacing(seat.racing());
        row.setWaitingSince(seat.waitingSince());
        row.setSeatedAt(seat.seatedAt());
        row.setSettledFor(seat.settledFor());
        row.setEndedBy(seat.endedBy());
        row.setWhy(seat.why());
    }

    /** Writes what has become of a registration. @param session where it is now. @return the row as it is now */
    RegistrationRecord write(RegistrationRecord before, long session, SeatRow seat, Instant now) {
        RegistrationRecord row = new RegistrationRecord();
        row.setSessionId(session);
        row.setChangedAt(now);
        row.setSequence(before.getSequence() + 1 + behind(before.getSessionId(), session));
        fill(row, seat);
        return writes.sql()
                .update(REGISTRATION)
                .set(row)
                .where(REGISTRATION.ID.eq(before.getId()))
                .returning()
                .fetchSingle();
    }

    /** By how much the entry of another session has been counted less far; a calendar follows only what counts up. */
    private int behind(long was, long is) {
        if (was == is) {
            return 0;
        }
        Map<Long, Integer> counted = writes.sql()
                .select(SESSION.ID, SESSION.SEQUENCE)
                .from(SESSION)
                .where(SESSION.ID.in(was, is))
                .fetchMap(SESSION.ID, SESSION.SEQUENCE);
        return Math.max(0, counted.get(was) - counted.get(is));
    }

    void setCompanions(long registration, List<String> names, Instant now) {
        set(registration, REGISTRATION.COMPANIONS, String.join("\n", names), now);
    }

    void setZone(long registration, ZoneId zone, Instant now) {
        set(registration, REGISTRATION.ZONE, zone.getId(), now);
    }

    void setReminded(long registration, boolean wanted, Instant now) {
        set(registration, REGISTRATION.IS_REMINDED, wanted, now);
    }

    private <T> void set(long registration, Field<T> field, T value, Instant now) {
        writes.sql()
                .update(REGISTRATION)
                .set(field, value)
                .set(REGISTRATION.CHANGED_AT, now)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** For so many people nothing is due any more; for the rest money has gone back. */
    void setSettledFor(long registration, int people) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.SETTLED_FOR, people)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    void setPassedOver(long registration, int times) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.PASSED_OVER, times)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** Counts one pass-over more for everybody who waits and could fit. @return who they are, as they stand now */
    List<SeatRule.Waiter> passOver(Session book) {
        return writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.PASSED_OVER, REGISTRATION.PASSED_OVER.plus(1))
                .where(REGISTRATION.SESSION_ID.eq(book.id()))
                .and(REGISTRATION.STATE.eq(inline(WAITLISTED)))
                .and(REGISTRATION.PARTY.le(book.capacity().open()))
                .returning(REGISTRATION.ID, REGISTRATION.PARTY, REGISTRATION.PASSED_OVER)
                .fetch(r -> new SeatRule.Waiter(
                        r.get(REGISTRATION.ID), r.get(REGISTRATION.PARTY), r.get(REGISTRATION.PASSED_OVER)));
    }

    /** The latest registration of a person on a session, whatever became of it. */
    Optional<RegistrationRecord> latest(long session, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.PERSON_ID.eq(person))
                .orderBy(REGISTRATION.ID.desc())
                .limit(1)
                .fetchOptional();
    }
}
