package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.PERSON_PART;

import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Takes people into the index of parts of names. */
@Component
class PersonPartCommands {

    private static final int BATCH = 500;
    private final Writes writes;

    PersonPartCommands(Writes writes) {
        this.writes = writes;
    }

    /** Takes in some of those who are new. */
    @Transactional
    public void takeIn(Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .insertInto(PERSON_PART, PersonPartQueries.NUMBER, PERSON_PART.FOLDED)
                .select(DSL.select(PERSON.ID, PERSON.FOLDED)
                        .from(PERSON)
                        .where(PERSON.ID.gt(DSL.coalesce(DSL.field(PersonPartQueries.last()), 0L)))
                        .orderBy(PERSON.ID)
                        .limit(BATCH))
                .execute();
    }
}
