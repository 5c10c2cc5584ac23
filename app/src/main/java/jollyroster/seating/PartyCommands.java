package jollyroster.seating;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.util.Collection;
import java.util.List;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Finds everybody on a session, as part of a write that is under way. */
@Component
class PartyCommands {

    private final Writes writes;

    PartyCommands(Writes writes) {
        this.writes = writes;
    }

    /** Those who take seats, the last to register first. */
    List<RegistrationRecord> lastSeated(long session) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.STATE.in(RegistrationState.namesOf(RegistrationState.TAKING_SEATS)))
                .orderBy(REGISTRATION.ID.desc())
                .fetch();
    }

    /** A registration with the address its letters go to. */
    record Addressed(RegistrationRecord registration, String email) {}

    /** Everybody who is active on a session, in order of registering. */
    List<Addressed> everybodyOn(long session) {
        return addressed(session, DSL.noCondition());
    }

    /** Those of these registrations that are active on a session. */
    List<Addressed> addressed(long session, Collection<Long> registrations) {
        return addressed(session, REGISTRATION.ID.in(registrations));
    }

    /** Those of these registrations that are or were on a session, whatever became of them. */
    List<Addressed> whateverBecame(long session, Collection<Long> registrations) {
        return read(session, REGISTRATION.ID.in(registrations));
    }

    private List<Addressed> addressed(long session, Condition which) {
        return read(session, REGISTRATION.STATE.in(SeatCommands.ACTIVE).and(which));
    }

    private List<Addressed> read(long session, Condition which) {
        return writes.sql()
                .select(REGISTRATION.asterisk(), PERSON.EMAIL)
                .from(REGISTRATION)
                .join(PERSON)
                .on(PERSON.ID.eq(REGISTRATION.PERSON_ID))
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(which)
                .orderBy(REGISTRATION.ID)
                .fetch(r -> new Addressed(r.into(REGISTRATION), r.get(PERSON.EMAIL)));
    }
}
