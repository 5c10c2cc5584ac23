package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.substring;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record8;
import org.jooq.SortField;
import org.springframework.stereotype.Component;

/** Reads messages batch by batch: what goes in the same minute, about the same, by the same channel. */
@Component
public class OutboxBatchQueries {

    private static final int TO_THE_MINUTE = 16;
    private final Reads reads;
    private final Remembered<Asked, List<Batch>> batches;

    OutboxBatchQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.batches = new Remembered<>(changes, 8, "message");
    }

    /** Messages that go together. @param first of them @param messages how many there are */
    public record Batch(List<OutboxQueries.Item> first, int messages) {}

    private record Asked(List<MessageState> states, int from, int most, int names) {}

    /** Some batches of messages in some states. @param names how many of each are read */
    public List<Batch> batches(Collection<MessageState> states, int from, int most, int names) {
        return batches.get(new Asked(List.copyOf(states), from, most, names), this::read);
    }

    private static Field<String> minute() {
        return substring(coalesce(MESSAGE.DONE_AT, MESSAGE.DUE_AT).cast(String.class), 1, TO_THE_MINUTE);
    }

    /** The same minute of what has not gone, by a span that an index knows. */
    private static Condition within(String minute) {
        Instant from = Instant.parse(minute + ":00Z");
        return MESSAGE.DUE_AT.ge(from).and(MESSAGE.DUE_AT.lt(from.plusSeconds(60)));
    }

    private List<Batch> read(Asked asked) {
        boolean ahead = asked.states().contains(MessageState.PLANNED);
        Condition those =
                MESSAGE.STATE.in(asked.states().stream().map(Enum::name).toList());
        SortField<String> order = ahead ? minute().asc() : minute().desc();
        return reads
                .sql()
                .select(
                        minute(),
                        MESSAGE.SESSION_ID,
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.CHANNEL,
                        MESSAGE.TEMPLATE,
                        count())
                .from(MESSAGE)
                .where(those)
                .groupBy(
                        minute(),
                        MESSAGE.SESSION_ID,
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.CHANNEL,
                        MESSAGE.TEMPLATE)
                .orderBy(order, MESSAGE.SESSION_ID, MESSAGE.ANCHOR)
                .limit(asked.most())
                .offset(asked.from())
                .fetch()
                .stream()
                .map(r -> batch(those, ahead, r, asked.names()))
                .toList();
    }

    private Batch batch(
            Condition those,
            boolean ahead,
            Record8<String, Long, String, Integer, String, String, String, Integer> r,
            int names) {
        return new Batch(
                reads.sql()
                        .selectFrom(MESSAGE)
                        .where(those)
                        .and(ahead ? within(r.value1()) : minute().eq(r.value1()))
                        .and(MESSAGE.SESSION_ID.eq(r.value2()))
                        .and(MESSAGE.ANCHOR.eq(r.value3()))
                        .and(MESSAGE.AMOUNT.eq(r.value4()))
                        .and(MESSAGE.UNIT.eq(r.value5()))
                        .and(MESSAGE.CHANNEL.eq(r.value6()))
                        .and(MESSAGE.TEMPLATE.eq(r.value7()))
                        .orderBy(MESSAGE.ID)
                        .limit(names)
                        .fetch(OutboxQueries::item),
                r.value8());
    }
}
