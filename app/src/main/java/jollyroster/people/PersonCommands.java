package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.param;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.platform.KeptInsert;
import jollyroster.platform.KeptQuery;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PersonRecord;
import org.jooq.Condition;
import org.jooq.Field;
import org.springframework.stereotype.Component;

/** Keeps people, as part of a write that is under way. */
@Component
public class PersonCommands {

    private final KeptQuery byEmail;
    private final KeptQuery byId;
    private final KeptInsert<PersonRecord> insert;

    PersonCommands(Writes writes) {
        this.byEmail = writes.keep(sql -> sql.select(PERSON.ID).from(PERSON).where(isAt(param("email", PERSON.EMAIL))));
        this.byId =
                writes.keep(sql -> sql.select(PERSON.EMAIL).from(PERSON).where(PERSON.ID.eq(param("id", PERSON.ID))));
        this.insert = writes.keepInsert(PERSON, insert -> insert);
    }

    /**
     * The person with this address. Somebody known keeps name and phone: whoever types an address has not
     * shown that it is theirs. Nobody is known by having none.
     */
    public Optional<Long> find(String email) {
        return email.isEmpty() ? Optional.empty() : byEmail.first((row, at) -> row.getLong(1), Map.of("email", email));
    }

    /** Found by the index of addresses, which leaves those out who have none. */
    static Condition isAt(Field<String> email) {
        return PERSON.EMAIL.eq(email).and(PERSON.EMAIL.ne(inline("")));
    }

    /** Somebody who was not known. @param email in lower case, or empty. @param phone E.164, or empty */
    public record Newcomer(String name, String email, String phone, ZoneId zone) {}

    public long add(Newcomer asked, Instant now) {
        PersonRecord person = new PersonRecord();
        person.setEmail(asked.email());
        person.setName(asked.name());
        person.setFolded(folded(asked.name(), asked.email()));
        person.setPhone(asked.phone());
        person.setZone(asked.zone().getId());
        person.setCreatedAt(now);
        person.setGeneration(PersonalLinks.firstGeneration(now));
        return insert.add(person);
    }

    /** What a search looks at: the name, then the address, on a line each. */
    static String folded(String name, String email) {
        return Text.folded(name) + "\n" + email;
    }

    public String email(long person) {
        return byId.first((row, at) -> row.getString(1), Map.of("id", person)).orElseThrow();
    }
}
