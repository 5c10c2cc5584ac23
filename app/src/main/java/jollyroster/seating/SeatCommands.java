package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SEAT_COUNT;
import static org.jooq.impl.DSL.inline;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SeatTally;
import jollyroster.logbook.LogbookCommands;
import jollyroster.platform.KeptStatement;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The rows behind the seat rule. Decides nothing; every method is part of a write that is under way. */
@Component
public class SeatCommands {

    private static final String WAITLISTED = RegistrationState.WAITLISTED.name();
    static final List<String> ACTIVE = names(RegistrationState.ACTIVE);
    private final Writes writes;
    private final LogbookCommands logbook;
    private final KeptStatement tally;
    private final KeptStatement insert;

    SeatCommands(Writes writes, LogbookCommands logbook) {
        this.writes = writes;
        this.logbook = logbook;
        this.tally = writes.keep(SeatCommands::tally);
        this.insert = writes.keepInsert(REGISTRATION, insert -> insert);
    }

    public static List<String> names(List<RegistrationState> states) {
        return states.stream().map(Enum::name).toList();
    }

    /** How full the session is, in one query. */
    public SeatTally tally(Session session) {
        return tally.first(
                        SeatCommands::toTally, session.id(), session.capacity().open(), session.id(), session.id())
                .orElseThrow();
    }

    private static SeatTally toTally(ResultSet row, int at) throws SQLException {
        int racing = row.getInt("racing");
        return new SeatTally(row.getInt("taken"), row.getInt("waiting_parties") + racing, row.getInt("owed") + racing);
    }

    private static Select<?> tally(DSLContext sql) {
        Field<Integer> owed = DSL.field(DSL.selectCount()
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(0L))
                .and(REGISTRATION.STATE.eq(inline(WAITLISTED)))
                .and(REGISTRATION.PASSED_OVER.ge(inline(SeatRule.MOST_PASS_OVERS)))
                .and(REGISTRATION.PARTY.le(0)));
        Field<Integer> racing = DSL.field(DSL.selectCount()
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(0L))
                .and(REGISTRATION.IS_RACING.eq(inline(true))));
        return sql.select(SEAT_COUNT.TAKEN, SEAT_COUNT.WAITING_PARTIES, owed.as("owed"), racing.as("racing"))
                .from(SEAT_COUNT)
                .where(SEAT_COUNT.SESSION_ID.eq(0L));
    }

    /** The waitlist in order. */
    public List<SeatRule.Waiter> line(long session) {
        return waiters(session, REGISTRATION.STATE.eq(inline(WAITLISTED)));
    }

    /** Those who race for seats, in the order of the line. */
    public List<SeatRule.Waiter> racing(long session) {
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
    public List<RegistrationRecord> heldUntil(Instant now, int most) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.HELD_UNTIL.le(now))
                .orderBy(REGISTRATION.HELD_UNTIL, REGISTRATION.ID)
                .limit(most)
                .fetch();
    }

    public Optional<RegistrationRecord> byId(long registration) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.ID.eq(registration))
                .fetchOptional();
    }

    /** The registration that this very form made before. */
    public Optional<RegistrationRecord> bySubmission(String submission) {
        return submission.isEmpty()
                ? Optional.empty()
                : writes.sql()
                        .selectFrom(REGISTRATION)
                        .where(REGISTRATION.SUBMISSION.eq(submission))
                        .fetchOptional();
    }

    public Optional<RegistrationRecord> active(long session, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.PERSON_ID.eq(person))
                .and(REGISTRATION.STATE.in(ACTIVE))
                .fetchOptional();
    }

    /** Where the person is active on any of these sessions. */
    public Optional<RegistrationRecord> activeOn(Collection<Long> sessions, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(person))
                .and(REGISTRATION.SESSION_ID.in(sessions))
                .and(REGISTRATION.STATE.in(ACTIVE))
                .orderBy(REGISTRATION.ID)
                .limit(1)
                .fetchOptional();
    }

    /** Seats a registration on another session, with a clean slate there. */
    public void moveTo(long registration, long session, Instant now) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.SESSION_ID, session)
                .set(REGISTRATION.STATE, RegistrationState.REGISTERED.name())
                .set(REGISTRATION.PASSED_OVER, 0)
                .set(REGISTRATION.SEATED_AT, now)
                .set(REGISTRATION.IS_RACING, false)
                .setNull(REGISTRATION.HELD_UNTIL)
                .setNull(REGISTRATION.WAITING_SINCE)
                .set(REGISTRATION.CHANGED_AT, now)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** @param heldUntil when the seats are only held until somebody confirms; else {@code null} */
    public RegistrationRecord add(
            Application asked, long person, RegistrationState state, @Nullable Instant heldUntil, Instant now) {
        boolean waits = state == RegistrationState.WAITLISTED;
        RegistrationRecord row = new RegistrationRecord();
        row.setSessionId(asked.session());
        row.setPersonId(person);
        row.setState(state.name());
        row.setParty(asked.party());
        row.setPassedOver(0);
        row.setGeneration(1);
        row.setName(asked.name());
        row.setZone(asked.zone().getId());
        row.setCompanions(String.join("\n", asked.companions()));
        row.setSubmission(asked.submission().isEmpty() ? null : asked.submission());
        row.setWaitingSince(waits ? now : null);
        row.setHeldUntil(heldUntil);
        row.setSeatedAt(!waits && state.takesSeats() ? now : null);
        row.setCreatedAt(now);
        row.setChangedAt(now);
        row.setIsRacing(false);
        row.setIsReminded(true);
        row.setIsMarked(false);
        row.setWhy("");
        row.setNote("");
        row.setId(insert.add(Writes.valuesOf(row)));
        return row;
    }

    /** Gives a registration a state in which nothing is held for it and it waits for nothing. */
    public void settle(long registration, RegistrationState state, String why, Instant now) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.STATE, state.name())
                .set(REGISTRATION.WHY, why)
                .set(REGISTRATION.IS_RACING, false)
                .setNull(REGISTRATION.HELD_UNTIL)
                .setNull(REGISTRATION.WAITING_SINCE)
                .set(
                        REGISTRATION.SEATED_AT,
                        state.takesSeats()
                                ? DSL.coalesce(REGISTRATION.SEATED_AT, DSL.val(now, REGISTRATION.SEATED_AT))
                                : REGISTRATION.SEATED_AT)
                .set(REGISTRATION.CHANGED_AT, now)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** Holds the seats of a registration until it is paid for or confirmed. */
    public void hold(long registration, Instant until, Instant now) {
        settle(registration, RegistrationState.UNCONFIRMED, "", now);
        set(registration, REGISTRATION.HELD_UNTIL, until, now);
    }

    /** Puts a registration at the end of the line. */
    public void joinLine(long registration, Instant now) {
        standBack(registration, now);
        set(registration, REGISTRATION.WAITING_SINCE, now, now);
        set(registration, REGISTRATION.PASSED_OVER, 0, now);
    }

    /** Offers seats to a registration; unless it races, they are held for it. */
    public void callUp(long registration, Instant replyBy, boolean race, Instant now) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.STATE, RegistrationState.CALLED_UP.name())
                .set(REGISTRATION.IS_RACING, race)
                .set(REGISTRATION.HELD_UNTIL, replyBy)
                .set(REGISTRATION.CHANGED_AT, now)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** Puts a registration that was called up back to the place it had in the line. */
    public void standBack(long registration, Instant now) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.STATE, WAITLISTED)
                .set(REGISTRATION.IS_RACING, false)
                .setNull(REGISTRATION.HELD_UNTIL)
                .set(REGISTRATION.CHANGED_AT, now)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    public void setParty(long registration, int party, Instant now) {
        set(registration, REGISTRATION.PARTY, party, now);
    }

    public void setCompanions(long registration, List<String> names, Instant now) {
        set(registration, REGISTRATION.COMPANIONS, String.join("\n", names), now);
    }

    public void setZone(long registration, ZoneId zone, Instant now) {
        set(registration, REGISTRATION.ZONE, zone.getId(), now);
    }

    public void setReminded(long registration, boolean wanted, Instant now) {
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

    public void setPassedOver(long registration, int times) {
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.PASSED_OVER, times)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** Counts one pass-over more for everybody who waits and could fit, because a newcomer took seats, and logs it. */
    public void passOverTheLine(Session session, RegistrationRecord newcomer, Instant now) {
        Condition waiting = REGISTRATION
                .SESSION_ID
                .eq(session.id())
                .and(REGISTRATION.STATE.eq(WAITLISTED))
                .and(REGISTRATION.PARTY.le(session.capacity().open()));
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.PASSED_OVER, REGISTRATION.PASSED_OVER.plus(1))
                .where(waiting)
                .execute();
        logbook.passedOverAll(session.id(), waiting, newcomer.getParty(), now);
    }
}
