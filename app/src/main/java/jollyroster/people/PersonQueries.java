package jollyroster.people;

import static jollyroster.platform.tables.Tables.DIFFERENT_PEOPLE;
import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Text;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads people across sessions. */
@Component
public class PersonQueries {

    private static final Field<Integer> REGISTRATIONS = DSL.field(
                    DSL.selectCount().from(REGISTRATION).where(REGISTRATION.PERSON_ID.eq(PERSON.ID)))
            .as("registrations");
    private static final Field<Instant> LAST = DSL.field(DSL.select(DSL.max(REGISTRATION.CREATED_AT))
                    .from(REGISTRATION)
                    .where(REGISTRATION.PERSON_ID.eq(PERSON.ID)))
            .as("last");
    private static final int RARE = 500;
    private final Reads reads;
    private final PersonPartQueries parts;

    PersonQueries(Reads reads, PersonPartQueries parts) {
        this.reads = reads;
        this.parts = parts;
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
        if (!search.isEmpty()) {
            List<Long> found = found(search, page, pageSize);
            Map<Long, Person> known = people(found);
            return found.stream().map(known::get).toList();
        }
        return people(DSL.noCondition())
                .orderBy(PERSON.FOLDED, PERSON.ID)
                .limit(pageSize)
                .offset(page * pageSize)
                .fetch(PersonQueries::toPerson);
    }

    /**
     * A rare part is looked up and put in order; for a part that many have, the index of what is compared, which is in the
     * order of names, is read until the page is full.
     */
    private List<Long> found(String search, int page, int pageSize) {
        String part = Text.folded(search);
        Condition isFound = parts.having(part, RARE)
                .map(PERSON.ID::in)
                .orElseGet(() -> DSL.position(PERSON.FOLDED, part).gt(0));
        return reads.sql()
                .select(PERSON.ID)
                .from(PERSON)
                .where(isFound)
                .orderBy(PERSON.FOLDED, PERSON.ID)
                .limit(pageSize)
                .offset(page * pageSize)
                .fetch(PERSON.ID);
    }

    /** What two people may share. */
    record Named(long id, String name, String phone) {}

    /** Everybody, by name, with what they may share with others. */
    List<Named> named() {
        return reads.sql()
                .select(PERSON.ID, PERSON.NAME, PERSON.PHONE)
                .from(PERSON)
                .orderBy(PERSON.FOLDED, PERSON.ID)
                .fetch(r -> new Named(r.value1(), r.value2(), r.value3()));
    }

    /** Those of whom somebody said that they are two. */
    Set<SamePeople.Pair> different() {
        return new HashSet<>(reads.sql()
                .select(DIFFERENT_PEOPLE.PERSON_ID, DIFFERENT_PEOPLE.OTHER_ID)
                .from(DIFFERENT_PEOPLE)
                .fetch(r -> new SamePeople.Pair(r.value1(), r.value2())));
    }

    /** These people, by number. */
    /** The person with an address, in lower case. */
    public Optional<Long> byEmail(String email) {
        return reads.sql()
                .select(PERSON.ID)
                .from(PERSON)
                .where(PERSON.EMAIL.eq(email))
                .limit(1)
                .fetchOptional(PERSON.ID);
    }

    /** The names of people, by number. */
    public Map<Long, String> names(Collection<Long> ids) {
        return reads.sql()
                .select(PERSON.ID, PERSON.NAME)
                .from(PERSON)
                .where(PERSON.ID.in(ids))
                .fetchMap(PERSON.ID, PERSON.NAME);
    }

    Map<Long, Person> people(Collection<Long> ids) {
        return people(PERSON.ID.in(ids)).fetchMap(PERSON.ID, PersonQueries::toPerson);
    }

    public Optional<Person> person(long id) {
        return people(PERSON.ID.eq(id)).fetchOptional(PersonQueries::toPerson);
    }

    private SelectConditionStep<Record> people(Condition which) {
        return reads.sql()
                .select(PERSON.asterisk(), REGISTRATIONS, LAST)
                .from(PERSON)
                .where(which);
    }

    private static Person toPerson(Record r) {
        return new Person(
                r.get(PERSON.ID),
                r.get(PERSON.NAME),
                r.get(PERSON.EMAIL),
                r.get(PERSON.PHONE),
                ZoneId.of(r.get(PERSON.ZONE)),
                r.get(REGISTRATIONS),
                r.get(LAST));
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
}
