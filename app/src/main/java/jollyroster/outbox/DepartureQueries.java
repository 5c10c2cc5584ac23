package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.MESSAGE_HOLD;
import static jollyroster.platform.tables.Tables.OUTBOX_HOLD;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.outbox.DepartureCommands.Which;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.MessageHoldRecord;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Whether letters leave. */
@Component
public class DepartureQueries {

    private final Reads reads;
    private final Remembered<Integer, Optional<Held>> held;
    private final Remembered<Instant, Map<Instant, Integer>> due;
    private final Remembered<Integer, List<Some>> some;

    DepartureQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.held = new Remembered<>(changes, 1, "outbox_hold");
        this.some = new Remembered<>(changes, 1, "message_hold");
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

    /** Some messages that are held. @param by whom */
    public record Some(Which which, String by, Instant since) {

        /** Whether it is one of them; of an offering that is for whoever knows its sessions to say. */
        public boolean holds(OutboxQueries.Item item) {
            if (which instanceof Which.One one) {
                return one.message() == item.id();
            }
            return which instanceof Which.Batch batch
                    && batch.equals(new Which.Batch(item.session(), item.anchor(), item.offset(), item.channel()));
        }
    }

    /** All that is held beside the whole outbox. */
    public List<Some> some() {
        return some.get(0, any -> read(reads.sql()));
    }

    /** The offering whose messages are held, if that is so. */
    public Optional<Some> ofOffering(long offering) {
        return some().stream()
                .filter(s -> s.which().equals(new Which.Offering(offering)))
                .findFirst();
    }

    static List<Some> read(DSLContext sql) {
        return sql.selectFrom(MESSAGE_HOLD)
                .orderBy(MESSAGE_HOLD.ID)
                .fetch(r -> new Some(which(r), r.getHeldBy(), r.getHeldAt()));
    }

    private static Which which(MessageHoldRecord r) {
        if (r.getMessageId() > 0) {
            return new Which.One(r.getMessageId());
        }
        return r.getOfferingId() > 0
                ? new Which.Offering(r.getOfferingId())
                : new Which.Batch(
                        r.getSessionId(),
                        Anchor.valueOf(r.getAnchor()),
                        new Offset(r.getAmount(), Offset.Unit.valueOf(r.getUnit())),
                        Channel.valueOf(r.getChannel()));
    }

    static MessageHoldRecord row(Which which) {
        MessageHoldRecord row = new MessageHoldRecord();
        row.setMessageId(which instanceof Which.One one ? one.message() : 0L);
        row.setOfferingId(which instanceof Which.Offering all ? all.offering() : 0L);
        Which.Batch batch = which instanceof Which.Batch some ? some : null;
        row.setSessionId(batch == null ? 0L : batch.session());
        row.setAnchor(batch == null ? "" : batch.anchor().name());
        row.setAmount(batch == null ? 0 : batch.offset().amount());
        row.setUnit(batch == null ? "" : batch.offset().unit().name());
        row.setChannel(batch == null ? "" : batch.channel().name());
        return row;
    }

    static Condition is(MessageHoldRecord row) {
        return MESSAGE_HOLD
                .MESSAGE_ID
                .eq(row.getMessageId())
                .and(MESSAGE_HOLD.OFFERING_ID.eq(row.getOfferingId()))
                .and(MESSAGE_HOLD.SESSION_ID.eq(row.getSessionId()))
                .and(MESSAGE_HOLD.ANCHOR.eq(row.getAnchor()))
                .and(MESSAGE_HOLD.AMOUNT.eq(row.getAmount()))
                .and(MESSAGE_HOLD.UNIT.eq(row.getUnit()))
                .and(MESSAGE_HOLD.CHANNEL.eq(row.getChannel()));
    }
}
