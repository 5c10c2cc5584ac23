package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.PERSON_PART;

import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes whoever is new into the index of parts of names, behind the write that made them. */
@Component
public class PersonPartWorker {

    private static final Logger LOG = LoggerFactory.getLogger(PersonPartWorker.class);
    private static final int BATCH = 500;
    private final PersonPartQueries parts;
    private final Writes writes;
    private final TransactionTemplate transaction;
    private final boolean auto;

    PersonPartWorker(
            PersonPartQueries parts,
            Writes writes,
            TransactionTemplate transaction,
            @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.parts = parts;
        this.writes = writes;
        this.transaction = transaction;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 5000)
    void tick() {
        if (auto) {
            try {
                takeInAll();
            } catch (RuntimeException outage) {
                LOG.error("People wait to be found by parts of their names: {}", outage.toString());
            }
        }
    }

    /** Takes in everybody who is new. */
    public void takeInAll() {
        while (parts.isBehind()) {
            transaction.executeWithoutResult(status -> takeIn());
        }
    }

    private void takeIn() {
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
