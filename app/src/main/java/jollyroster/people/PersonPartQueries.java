package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.PERSON_PART;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.jooq.Field;
import org.jooq.Record1;
import org.jooq.SelectLimitStep;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Finds people by any part of three letters or more; those who are not in the index yet are compared one by one. */
@Component
class PersonPartQueries {

    /** The number of the person that a row of the index is about. */
    static final Field<Long> NUMBER = DSL.field(DSL.name("rowid"), Long.class);

    private static final int SHORTEST = 3;
    private final Reads reads;

    PersonPartQueries(Reads reads) {
        this.reads = reads;
    }

    /** Who has this part, in no order; empty if more than {@code most} do, or if it cannot be looked up. */
    Optional<List<Long>> having(String part, int most) {
        if (part.codePointCount(0, part.length()) < SHORTEST || part.indexOf('\0') >= 0) {
            return Optional.empty();
        }
        List<Long> found = new ArrayList<>(reads.sql()
                .select(NUMBER)
                .from(PERSON_PART)
                .where("person_part MATCH ?", '"' + part.replace("\"", "\"\"") + '"')
                .limit(most + 1)
                .fetch(NUMBER));
        found.addAll(reads.sql()
                .select(PERSON.ID)
                .from(PERSON)
                .where(PERSON.ID.gt(DSL.coalesce(DSL.field(last()), 0L)))
                .and(DSL.position(PERSON.FOLDED, part).gt(0))
                .limit(most + 1)
                .fetch(PERSON.ID));
        return found.size() > most ? Optional.empty() : Optional.of(found);
    }

    /** The last person the index knows. */
    static SelectLimitStep<Record1<Long>> last() {
        return DSL.select(DSL.max(NUMBER)).from(PERSON_PART);
    }

    /** Whether somebody is not in the index yet. */
    boolean isBehind() {
        return reads.sql().fetchExists(PERSON, PERSON.ID.gt(DSL.coalesce(DSL.field(last()), 0L)));
    }
}
