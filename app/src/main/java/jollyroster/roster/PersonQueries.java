package jollyroster.roster;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Reads;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads people across sessions. */
@Component
public class PersonQueries {

    private final Reads reads;
    private final RosterQueries roster;

    PersonQueries(Reads reads, RosterQueries roster) {
        this.reads = reads;
        this.roster = roster;
    }

    /** One person across sessions. @param last when they last registered; {@code null} if they never did */
    public record Person(
            long id,
            String name,
            String email,
            String phone,
            ZoneId zone,
            int registrations,
            @Nullable Instant last) {}

    /**
     * People whose name or address contains {@code search}, by name, a page at a time. Registrations are counted for those on
     * the page only.
     */
    public List<Person> people(String search, int page, int pageSize) {
        Field<Integer> registrations =
                DSL.field(DSL.selectCount().from(REGISTRATION).where(REGISTRATION.PERSON_ID.eq(PERSON.ID)));
        Field<Instant> last = DSL.field(DSL.select(DSL.max(REGISTRATION.CREATED_AT))
                .from(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(PERSON.ID)));
        return reads.sql()
                .select(PERSON.ID, PERSON.NAME, PERSON.EMAIL, PERSON.PHONE, PERSON.ZONE, registrations, last)
                .from(PERSON)
                .where(
                        search.isEmpty()
                                ? DSL.noCondition()
                                : PERSON.NAME.containsIgnoreCase(search).or(PERSON.EMAIL.containsIgnoreCase(search)))
                .orderBy(PERSON.NAME, PERSON.ID)
                .limit(pageSize)
                .offset(page * pageSize)
                .fetch(r -> new Person(
                        r.value1(), r.value2(), r.value3(), r.value4(), ZoneId.of(r.value5()), r.value6(), r.value7()));
    }

    /** The zones people live in. */
    public Set<ZoneId> zones() {
        return reads.sql().selectDistinct(PERSON.ZONE).from(PERSON).fetchSet(r -> ZoneId.of(r.value1()));
    }

    public int count() {
        return reads.sql().fetchCount(PERSON);
    }

    /** The person a link belongs to, unless it was revoked. */
    public Optional<Long> personOf(Link link) {
        return reads.sql()
                .select(PERSON.ID)
                .from(PERSON)
                .where(PERSON.ID.eq(link.id()))
                .and(PERSON.GENERATION.eq(link.generation()))
                .fetchOptional(PERSON.ID);
    }

    /** Where a person is registered, latest first. */
    public List<Registration> registrations(long person) {
        return roster.registrations()
                .where(REGISTRATION.PERSON_ID.eq(person))
                .orderBy(REGISTRATION.ID.desc())
                .limit(500)
                .fetch(RosterQueries::toRegistration);
    }
}
