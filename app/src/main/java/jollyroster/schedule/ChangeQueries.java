package jollyroster.schedule;

import static jollyroster.platform.tables.Tables.CHANGE;

import java.time.Instant;
import java.util.List;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads what can still be undone. */
@Component
public class ChangeQueries {

    private final Reads reads;

    ChangeQueries(Reads reads) {
        this.reads = reads;
    }

    /** A change that can be undone until an instant. */
    public record Open(long id, String words, String actor, Instant until) {}

    /** The changes to an offering that can be undone, the latest first. */
    public List<Open> open(long offering, Instant now) {
        return reads.sql()
                .selectFrom(CHANGE)
                .where(CHANGE.OFFERING_ID.eq(offering))
                .and(CHANGE.IS_UNDONE.isFalse())
                .and(CHANGE.UNTIL_AT.gt(now))
                .orderBy(CHANGE.ID.desc())
                .fetch(r -> new Open(r.getId(), r.getWords(), r.getActor(), r.getUntilAt()));
    }
}
