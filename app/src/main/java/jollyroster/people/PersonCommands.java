package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import jollyroster.platform.KeptStatement;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PersonRecord;
import org.springframework.stereotype.Component;

/** Keeps people, as part of a write that is under way. */
@Component
public class PersonCommands {

    private final Writes writes;
    private final KeptStatement find;
    private final KeptStatement insert;

    PersonCommands(Writes writes) {
        this.writes = writes;
        this.find = writes.keep(sql -> sql.select(PERSON.ID).from(PERSON).where(PERSON.EMAIL.eq("")));
        this.insert = writes.keepInsert(PERSON, insert -> insert);
    }

    /**
     * The person with this address. Somebody known keeps name and phone: whoever types an address has not
     * shown that it is theirs.
     */
    public Optional<Long> find(String email) {
        return find.first((row, at) -> row.getLong(1), email);
    }

    /** Somebody who was not known. @param email in lower case. @param phone E.164, or empty */
    public record Newcomer(String name, String email, String phone, ZoneId zone) {}

    public long add(Newcomer asked, Instant now) {
        PersonRecord person = new PersonRecord();
        person.setEmail(asked.email());
        person.setName(asked.name());
        person.setPhone(asked.phone());
        person.setZone(asked.zone().getId());
        person.setCreatedAt(now);
        person.setGeneration(PersonalLinks.firstGeneration(now));
        return insert.add(Writes.valuesOf(person));
    }

    public String email(long person) {
        return writes.sql()
                .select(PERSON.EMAIL)
                .from(PERSON)
                .where(PERSON.ID.eq(person))
                .fetchSingle(PERSON.EMAIL);
    }
}
