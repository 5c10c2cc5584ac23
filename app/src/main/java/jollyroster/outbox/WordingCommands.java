package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.WORDING;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import java.time.Clock;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what messages say, version by version. What has not gone yet is written with the latest. */
@Component
public class WordingCommands {

    private static final Wording BACK = new Wording("", "", "");
    private final Writes writes;
    private final Clock clock;

    WordingCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** Keeps words that were found without faults. */
    @Transactional
    public void save(Of of, Wording words, Actor actor) {
        actor.requireOrganiser();
        insert(of, words, actor);
    }

    /** Takes words back, so that those of the house count, or those that ship. */
    @Transactional
    public void takeBack(Of of, Actor actor) {
        actor.requireOrganiser();
        insert(of, BACK, actor);
    }

    /** Gives an offering the words of another, the versions before them left out. */
    void copy(long from, long to) {
        var latest = select(max(WORDING.ID))
                .from(WORDING)
                .where(WORDING.OFFERING_ID.eq(from))
                .groupBy(WORDING.ANCHOR);
        writes.sql()
                .selectFrom(WORDING)
                .where(WORDING.ID.in(latest))
                .and(WORDING.BODY.ne(""))
                .fetch()
                .forEach(row -> {
                    row.setId(null);
                    row.setOfferingId(to);
                    row.changed(WORDING.ID, false);
                    writes.sql().insertInto(WORDING).set(row).execute();
                });
    }

    /** Takes away the words of an offering that is discarded. */
    void drop(long offering) {
        writes.sql().deleteFrom(WORDING).where(WORDING.OFFERING_ID.eq(offering)).execute();
    }

    private void insert(Of of, Wording words, Actor actor) {
        writes.sql()
                .insertInto(WORDING)
                .set(WORDING.ANCHOR, of.anchor().name())
                .set(WORDING.OFFERING_ID, of.offering())
                .set(WORDING.SUBJECT, words.subject())
                .set(WORDING.PREHEADER, words.preheader())
                .set(WORDING.BODY, words.body())
                .set(WORDING.AS_TEXT, words.asText())
                .set(WORDING.MADE_AT, clock.instant())
                .set(WORDING.MADE_BY, actor.name())
                .execute();
    }
}
