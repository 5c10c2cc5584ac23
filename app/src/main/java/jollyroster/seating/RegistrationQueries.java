package jollyroster.seating;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SEAT_COUNT;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.param;

import java.time.ZoneId;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.seats.RegistrationState;
import jollyroster.people.PersonalHistory;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.programme.SeatCounts;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectJoinStep;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads registrations and the logbook. */
@Component
public class RegistrationQueries implements SeatCounts, PersonalHistory {

    private final Reads reads;
    private final List<Field<?>> columns;
    private final String byId;
    private final Remembered<Set<Long>, Map<Long, SeatCount>> seats;
    private final Remembered<Set<Long>, Map<Long, Map<ZoneId, Integer>>> zones;

    RegistrationQueries(Reads reads, TableChanges changes) {
        this.seats = new Remembered<>(changes, 100, "seat_count");
        this.zones = new Remembered<>(changes, 100, "registration");
        this.reads = reads;
        this.columns = registrations().getSelect();
        this.byId = registrations()
                .where(REGISTRATION.ID.eq(param("id", Long.class)))
                .getSQL();
    }

    @Override
    public Map<Long, SeatCount> of(Collection<Long> sessions) {
        return sessions.isEmpty() ? Map.of() : seats.get(Set.copyOf(sessions), this::readSeats);
    }

    private Map<Long, SeatCount> readSeats(Set<Long> sessions) {
        Map<Long, SeatCount> counts = new HashMap<>();
        reads.sql()
                .selectFrom(SEAT_COUNT)
                .where(SEAT_COUNT.SESSION_ID.in(sessions))
                .forEach(r -> counts.put(
                        r.getSessionId(), new SeatCount(r.getTaken(), r.getWaitingParties(), r.getWaitingPeople())));
        sessions.forEach(session -> counts.putIfAbsent(session, SeatCount.NONE));
        return counts;
    }

    @Override
    public boolean isAnybodyOn(Collection<Long> sessions) {
        return reads.sql().fetchExists(REGISTRATION, REGISTRATION.SESSION_ID.in(sessions));
    }

    @Override
    public Map<Long, Map<ZoneId, Integer>> zonesOf(Collection<Long> sessions) {
        return zones.get(new HashSet<>(sessions), this::readZones);
    }

    private Map<Long, Map<ZoneId, Integer>> readZones(Set<Long> sessions) {
        Map<Long, Map<ZoneId, Integer>> found = new HashMap<>();
        reads.sql()
                .select(REGISTRATION.SESSION_ID, REGISTRATION.ZONE, count())
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.in(sessions))
                .and(REGISTRATION.STATE.eq(RegistrationState.REGISTERED.name()))
                .groupBy(REGISTRATION.SESSION_ID, REGISTRATION.ZONE)
                .forEach(r -> found.computeIfAbsent(r.value1(), id -> new HashMap<>())
                        .put(ZoneId.of(r.value2()), r.value3()));
        return found;
    }

    SelectJoinStep<Record> registrations() {
        return reads.sql()
                .select(REGISTRATION.asterisk(), PERSON.EMAIL, PERSON.PHONE)
                .from(REGISTRATION)
                .join(PERSON)
                .on(PERSON.ID.eq(REGISTRATION.PERSON_ID));
    }

    static Registration toRegistration(Record r) {
        return new Registration(
                r.get(REGISTRATION.ID),
                r.get(REGISTRATION.SESSION_ID),
                r.get(REGISTRATION.PERSON_ID),
                RegistrationState.valueOf(r.get(REGISTRATION.STATE)),
                r.get(REGISTRATION.PARTY),
                r.get(REGISTRATION.PASSED_OVER),
                r.get(REGISTRATION.GENERATION),
                r.get(REGISTRATION.NAME),
                r.get(PERSON.EMAIL),
                r.get(PERSON.PHONE),
                ZoneId.of(r.get(REGISTRATION.ZONE)),
                new Registration.Stamps(
                        r.get(REGISTRATION.CREATED_AT), r.get(REGISTRATION.CHANGED_AT), r.get(REGISTRATION.SEQUENCE)),
                new Registration.Hold(
                        Optional.ofNullable(r.get(REGISTRATION.HELD_UNTIL)),
                        r.get(REGISTRATION.IS_RACING),
                        r.get(REGISTRATION.SETTLED_FOR)),
                new Registration.Remarks(
                        r.get(REGISTRATION.WHY),
                        r.get(REGISTRATION.COMPANIONS).lines().toList(),
                        r.get(REGISTRATION.IS_REMINDED),
                        r.get(REGISTRATION.NOTE),
                        r.get(REGISTRATION.IS_MARKED)));
    }

    /** Asked for by every link there is; its text is written once. */
    public Optional<Registration> registration(long id) {
        return reads.sql().resultQuery(byId, id).coerce(columns).fetchOptional(RegistrationQueries::toRegistration);
    }

    /** The registration that this very form made. */
    public Optional<Registration> bySubmission(String submission) {
        return submission.isEmpty()
                ? Optional.empty()
                : registrations()
                        .where(REGISTRATION.SUBMISSION.eq(submission))
                        .fetchOptional(RegistrationQueries::toRegistration);
    }

    /** These registrations by number, in one query. */
    public Map<Long, Registration> registrations(Collection<Long> ids) {
        return registrations()
                .where(REGISTRATION.ID.in(ids))
                .fetchMap(r -> r.get(REGISTRATION.ID), RegistrationQueries::toRegistration);
    }

    /** Who it is, and on which session. */
    record Named(String name, long session) {}

    /** The names of these registrations by number, in one query. */
    Map<Long, Named> named(Collection<Long> ids) {
        return reads.sql()
                .select(REGISTRATION.ID, REGISTRATION.NAME, REGISTRATION.SESSION_ID)
                .from(REGISTRATION)
                .where(REGISTRATION.ID.in(ids))
                .fetchMap(REGISTRATION.ID, r -> new Named(r.value2(), r.value3()));
    }

    /**
     * Everybody on a session, in order of registering; the line has an order of its own.
     *
     * @param session for a date of a whole series the session that leads it
     */
    public List<Registration> roster(long session) {
        return registrations()
                .where(REGISTRATION.SESSION_ID.eq(session))
                .orderBy(REGISTRATION.ID)
                .fetch(RegistrationQueries::toRegistration);
    }

    /** Everybody on each of these sessions, in order of registering, in one query. */
    public Map<Long, List<Registration>> rosters(Collection<Long> sessions) {
        return sessions.isEmpty()
                ? Map.of()
                : registrations()
                        .where(REGISTRATION.SESSION_ID.in(sessions))
                        .orderBy(REGISTRATION.ID)
                        .fetchGroups(r -> r.get(REGISTRATION.SESSION_ID), RegistrationQueries::toRegistration);
    }

    /** How many people stand in line before a waiting registration. */
    public int peopleBefore(Registration waiting) {
        Integer people = reads.sql()
                .select(DSL.coalesce(DSL.sum(REGISTRATION.PARTY), DSL.inline(0)).cast(Integer.class))
                .from(REGISTRATION)
                .where(beforeInLine(waiting))
                .fetchSingle()
                .value1();
        return people == null ? 0 : people;
    }

    /** Everybody for whom seats are held or to whom they are offered, the next to run out first. */
    public List<Registration> held() {
        return registrations()
                .where(REGISTRATION.HELD_UNTIL.isNotNull())
                .orderBy(REGISTRATION.HELD_UNTIL)
                .limit(500)
                .fetch(RegistrationQueries::toRegistration);
    }

    /** The place of a waiting registration in its line, from 1. */
    public int placeInLine(Registration waiting) {
        return reads.sql().fetchCount(DSL.selectOne().from(REGISTRATION).where(beforeInLine(waiting))) + 1;
    }

    private static Condition beforeInLine(Registration waiting) {
        var mine = REGISTRATION.as("mine");
        return REGISTRATION
                .SESSION_ID
                .eq(waiting.session())
                .and(REGISTRATION.STATE.eq(DSL.inline(RegistrationState.WAITLISTED.name())))
                .and(DSL.row(REGISTRATION.WAITING_SINCE, REGISTRATION.ID)
                        .lt(DSL.select(mine.WAITING_SINCE, mine.ID).from(mine).where(mine.ID.eq(waiting.id()))));
    }

    @Override
    public List<Held> heldBy(long person) {
        return ofPerson(person).stream()
                .map(r -> new Held(r.id(), r.session(), r.state(), r.party()))
                .toList();
    }

    /** Where a person is registered, latest first. */
    public List<Registration> ofPerson(long person) {
        return registrations()
                .where(REGISTRATION.PERSON_ID.eq(person))
                .orderBy(REGISTRATION.ID.desc())
                .limit(500)
                .fetch(RegistrationQueries::toRegistration);
    }

    /** How often these people registered at all, by person. */
    public Map<Long, Integer> registrationsOf(Collection<Long> people) {
        return registrationsBefore(people, 0);
    }

    /** How many other sessions these people registered for before, by person. */
    public Map<Long, Integer> registrationsBefore(Collection<Long> people, long session) {
        return reads.sql()
                .select(REGISTRATION.PERSON_ID, count())
                .from(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.in(people))
                .and(REGISTRATION.SESSION_ID.ne(session))
                .groupBy(REGISTRATION.PERSON_ID)
                .fetchMap(REGISTRATION.PERSON_ID, count());
    }
}
