package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.SESSION;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.min;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads how much is still to leave, and when. */
@Component
public class UnsentQueries {

    private final Reads reads;
    private final Remembered<Integer, List<NextSend>> nextSends;
    private final Remembered<Set<Long>, Map<Long, Instant>> next;

    UnsentQueries(Reads reads, TableChanges changes) {
        this.nextSends = new Remembered<>(changes, 3, "message");
        this.next = new Remembered<>(changes, 20, "message");
        this.reads = reads;
    }

    /** What leaves next: planned messages of one line of a session's plan that go at the same time, taken together. */
    public record NextSend(Instant due, Anchor anchor, Offset offset, Channel channel, long session, int messages) {}

    public List<NextSend> nextSends(int most) {
        return nextSends.get(most, this::readNextSends);
    }

    private List<NextSend> readNextSends(int most) {
        return reads.sql()
                .select(
                        MESSAGE.DUE_AT,
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.CHANNEL,
                        MESSAGE.SESSION_ID,
                        count())
                .from(MESSAGE)
                .where(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                .groupBy(
                        MESSAGE.DUE_AT,
                        MESSAGE.SESSION_ID,
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.CHANNEL)
                .orderBy(MESSAGE.DUE_AT)
                .limit(most)
                .fetch(r -> new NextSend(
                        r.value1(),
                        Anchor.valueOf(r.value2()),
                        new Offset(r.value3(), Offset.Unit.valueOf(r.value4())),
                        Channel.valueOf(r.value5()),
                        r.value6(),
                        r.value7()));
    }

    /** How many messages of each of these sessions have not left yet. */
    public Map<Long, Integer> of(Collection<Long> sessions) {
        return reads.sql()
                .select(MESSAGE.SESSION_ID, count())
                .from(MESSAGE)
                .where(MESSAGE.SESSION_ID.in(sessions))
                .and(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                .groupBy(MESSAGE.SESSION_ID)
                .fetchMap(MESSAGE.SESSION_ID, count());
    }

    /** The next planned message of each of these sessions. */
    public Map<Long, Instant> next(Collection<Long> sessions) {
        return next.get(Set.copyOf(sessions), this::readNext);
    }

    private Map<Long, Instant> readNext(Set<Long> sessions) {
        return reads.sql()
                .select(MESSAGE.SESSION_ID, min(MESSAGE.DUE_AT))
                .from(MESSAGE)
                .where(MESSAGE.SESSION_ID.in(sessions))
                .and(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                .groupBy(MESSAGE.SESSION_ID)
                .fetchMap(MESSAGE.SESSION_ID, min(MESSAGE.DUE_AT));
    }

    /** When the next planned message after {@code now} is due. */
    public Optional<Instant> nextDue(Instant now) {
        return reads.sql()
                .select(min(MESSAGE.DUE_AT))
                .from(MESSAGE)
                .where(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                .and(MESSAGE.DUE_AT.gt(now))
                .fetchOptional(DSL.min(MESSAGE.DUE_AT));
    }

    /** How many planned messages are written with these words. */
    public int planned(WordingQueries.Of of) {
        return reads.sql()
                .fetchCount(DSL.selectOne()
                        .from(MESSAGE)
                        .where(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                        .and(MESSAGE.ANCHOR.eq(of.anchor().name()))
                        .and(
                                of.offering() == WordingQueries.HOUSE
                                        ? DSL.noCondition()
                                        : MESSAGE.SESSION_ID.in(DSL.select(SESSION.ID)
                                                .from(SESSION)
                                                .where(SESSION.OFFERING_ID.eq(of.offering())))));
    }

    /** How many messages have been due since before a time and have not gone. */
    public int dueBefore(Instant when) {
        return reads.sql()
                .fetchCount(DSL.selectOne()
                        .from(MESSAGE)
                        .where(MESSAGE.STATE.in(MessageState.PLANNED.name(), MessageState.SENDING.name()))
                        .and(MESSAGE.DUE_AT.lt(when)));
    }
}
