package jollyroster.roster;

import static jollyroster.platform.tables.Tables.PERSON;

import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps people, as part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class PersonCommands {

    private final Writes writes;

    PersonCommands(Writes writes) {
        this.writes = writes;
    }

    /**
     * The person with this address. Somebody known keeps name and phone: whoever types an address has not
     * shown that it is theirs.
     */
    Optional<Long> find(Application asked) {
        return writes.sql()
                .select(PERSON.ID)
                .from(PERSON)
                .where(PERSON.EMAIL.eq(asked.email()))
                .fetchOptional(PERSON.ID);
    }

    long add(Application asked, Instant now) {
        return writes.sql()
                .insertInto(PERSON)
                .set(PERSON.EMAIL, asked.email())
                .set(PERSON.NAME, asked.name())
                .set(PERSON.PHONE, asked.phone())
                .set(PERSON.ZONE, asked.zone().getId())
                .set(PERSON.CREATED_AT, now)
                .returningResult(PERSON.ID)
                .fetchSingle(PERSON.ID);
    }

    String email(long person) {
        return writes.sql()
                .select(PERSON.EMAIL)
                .from(PERSON)
                .where(PERSON.ID.eq(person))
                .fetchSingle(PERSON.EMAIL);
    }
}
