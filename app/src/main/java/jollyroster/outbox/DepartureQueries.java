package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.OUTBOX_HOLD;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Whether letters leave. */
@Component
public class DepartureQueries {

    private final Reads reads;
    private final Remembered<Integer, Optional<Held>> held;
    private final Remembered<Instant, Map<Instant, Integer>> due;

    DepartureQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.held = new Remembered<>(changes, 1, "outbox_hold");
        this.due = new Remembered<>(changes, 2, "message");
    }

    /** All letters are held. @param by who did it, by name */
    public record Held(Instant since, String by) {}

    public Optional<Held> held() {
        return held.get(
                0,
                any -> reads.sql()
                        .selectFrom(OUTBOX_HOLD)
                        .fetchOptional(row -> new Held(row.getHeldAt(), row.getHeldBy())));
    }

    /** How many letters are due at each time before another. */
    public Map<Instant, Integer> dueBefore(Instant until) {
        return due.get(
                until.truncatedTo(ChronoUnit.MINUTES),
                before -> reads.sql()
                        .select(MESSAGE.DUE_AT, DSL.count())
                        .from(MESSAGE)
                        .where(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                        .and(MESSAGE.DUE_AT.lt(before))
                        .groupBy(MESSAGE.DUE_AT)
                        .fetchMap(MESSAGE.DUE_AT, DSL.count()));
    }

    /** How many letters would have left by now. */
    public int due(Instant now) {
        return reads.sql()
                .fetchCount(
                        MESSAGE, MESSAGE.STATE.eq(MessageState.PLANNED.name()).and(MESSAGE.DUE_AT.le(now)));
    }
}
