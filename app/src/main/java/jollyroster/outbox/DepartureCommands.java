package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.MESSAGE_HOLD;
import static jollyroster.platform.tables.Tables.OUTBOX_HOLD;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.MessageHoldRecord;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Lets planned letters leave earlier, not at all, or all of them later. The news of a change leaves with that change and is
 * not touched one by one: whoever does not want it takes the change back.
 */
@Component
public class DepartureCommands {

    private static final List<String> DECIDED_LATER =
            Anchor.TIMED.stream().filter(Anchor::isDecidedLater).map(Enum::name).toList();
    private final Writes writes;
    private final Clock clock;

    DepartureCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** Which letters: one, all of one line of the plan of a session, or all of an offering. */
    public sealed interface Which {

        record One(long message) implements Which {}

        record Batch(long session, Anchor anchor, Offset offset, Channel channel) implements Which {}

        record Offering(long offering) implements Which {}
    }

    /** Makes them due now; what is decided once the session has begun cannot go early. @return how many */
    @Transactional
    public int sendNow(Which which, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.DUE_AT, now)
                .where(planned(which))
                .and(MESSAGE.ANCHOR.notIn(DECIDED_LATER))
                .and(MESSAGE.DUE_AT.gt(now))
                .execute();
    }

    /** Takes them out of the outbox. @return how many */
    @Transactional
    public int withdraw(Which which, Actor actor) {
        actor.requireOrganiser();
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.WITHDRAWN.name())
                .set(MESSAGE.REASON, "withdrawn by " + actor.name())
                .set(MESSAGE.DONE_AT, clock.instant())
                .where(planned(which))
                .execute();
    }

    private static Condition planned(Which which) {
        return those(which).and(MESSAGE.STATE.eq(MessageState.PLANNED.name())).and(MESSAGE.CHANGE_ID.isNull());
    }

    static Condition those(Which which) {
        if (which instanceof Which.Batch batch) {
            return MESSAGE.SESSION_ID
                    .eq(batch.session())
                    .and(MESSAGE.ANCHOR.eq(batch.anchor().name()))
                    .and(MESSAGE.AMOUNT.eq(batch.offset().amount()))
                    .and(MESSAGE.UNIT.eq(batch.offset().unit().name()))
                    .and(MESSAGE.CHANNEL.eq(batch.channel().name()));
        }
        return which instanceof Which.Offering all
                ? MESSAGE.SESSION_ID.in(
                        DSL.select(SESSION.ID).from(SESSION).where(SESSION.OFFERING_ID.eq(all.offering())))
                : MESSAGE.ID.eq(((Which.One) which).message());
    }

    /** Lets none of these leave until {@link #release(Which, Actor)}. @return false when they were held already */
    @Transactional
    public boolean hold(Which which, Actor actor) {
        actor.requireOrganiser();
        MessageHoldRecord row = DepartureQueries.row(which);
        row.setHeldAt(clock.instant());
        row.setHeldBy(actor.name());
        return writes.sql()
                        .insertInto(MESSAGE_HOLD)
                        .set(row)
                        .onConflictDoNothing()
                        .execute()
                == 1;
    }

    /** Lets these leave again. @return false when they were not held */
    @Transactional
    public boolean release(Which which, Actor actor) {
        actor.requireOrganiser();
        return writes.sql()
                        .deleteFrom(MESSAGE_HOLD)
                        .where(DepartureQueries.is(DepartureQueries.row(which)))
                        .execute()
                > 0;
    }

    /** Puts every message that failed for this cause back into the line, due at once. @return how many */
    @Transactional
    public int retryAll(String cause, Actor actor) {
        actor.requireTeam();
        return again(MESSAGE.REASON.eq(cause));
    }

    /** Puts a failed message back into the line, due at once. Does nothing to a message in another state. */
    @Transactional
    public boolean retry(long message, Actor actor) {
        actor.requireTeam();
        return again(MESSAGE.ID.eq(message)) == 1;
    }

    private int again(Condition which) {
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.PLANNED.name())
                .set(MESSAGE.REASON, "")
                .set(MESSAGE.ATTEMPTS, 0)
                .set(MESSAGE.DUE_AT, clock.instant())
                .setNull(MESSAGE.DONE_AT)
                .where(which)
                .and(MESSAGE.STATE.eq(MessageState.FAILED.name()))
                .execute();
    }

    /** Lets no letter leave until {@link #release}. @return false when they were held already */
    @Transactional
    public boolean hold(Actor actor) {
        actor.requireOrganiser();
        return writes.sql()
                        .insertInto(OUTBOX_HOLD)
                        .set(OUTBOX_HOLD.ID, 1L)
                        .set(OUTBOX_HOLD.HELD_AT, clock.instant())
                        .set(OUTBOX_HOLD.HELD_BY, actor.name())
                        .onConflictDoNothing()
                        .execute()
                == 1;
    }

    /** Lets them leave again, what is due at once and the longest due first. @return false when they were not held */
    @Transactional
    public boolean release(Actor actor) {
        actor.requireOrganiser();
        // With a condition: a delete of a whole table tells no listener (SQLite, "truncate optimization").
        return writes.sql().deleteFrom(OUTBOX_HOLD).where(OUTBOX_HOLD.ID.eq(1L)).execute() == 1;
    }
}
