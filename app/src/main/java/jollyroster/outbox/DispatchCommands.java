package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.SENT_COPY;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import jollyroster.core.messages.Channel;
import jollyroster.platform.KeptQuery;
import jollyroster.platform.Writes;
import jollyroster.texting.ShortLinkCommands;
import jollyroster.texting.TextLogCommands;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The worker's side of the outbox: claims messages and settles what became of them. */
@Component
class DispatchCommands {

    /** Waits before the second, third, … try; after the last the message has failed. */
    static final List<Duration> WAITS =
            List.of(Duration.ofMinutes(1), Duration.ofMinutes(5), Duration.ofMinutes(15), Duration.ofHours(1));

    private final Writes writes;
    private final TextLogCommands texts;
    private final ShortLinkCommands links;
    private final KeptQuery gone;

    DispatchCommands(Writes writes, TextLogCommands texts, ShortLinkCommands links) {
        this.links = links;
        this.writes = writes;
        this.texts = texts;
        this.gone = writes.keep(DispatchCommands::gone);
    }

    /**
     * Claims up to {@code most} messages of one channel that are due, the longest due first; before them those whose claim has ended
     * without anybody saying what became of them.
     *
     * @param until when the claim ends by itself
     * @return their numbers
     */
    @Transactional
    List<Long> claim(Channel channel, int most, Instant now, Instant until) {
        Condition may = MESSAGE.CHANNEL.eq(channel.name()).and(notHeld());
        List<Long> claimed = new ArrayList<>(claim(
                MESSAGE.STATE
                        .eq(MessageState.SENDING.name())
                        .and(MESSAGE.CLAIMED_UNTIL.le(now))
                        .and(may),
                most,
                until));
        if (claimed.size() < most) {
            claimed.addAll(claim(
                    MESSAGE.STATE
                            .eq(MessageState.PLANNED.name())
                            .and(MESSAGE.DUE_AT.le(now))
                            .and(may),
                    most - claimed.size(),
                    until));
        }
        return claimed;
    }

    /** What they say is read later: nobody else may write meanwhile. */
    private List<Long> claim(Condition which, int most, Instant until) {
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.SENDING.name())
                .set(MESSAGE.CLAIMED_UNTIL, until)
                .where(MESSAGE.ID.in(DSL.select(MESSAGE.ID)
                        .from(MESSAGE)
                        .where(which)
                        .orderBy(MESSAGE.DUE_AT, MESSAGE.ID)
                        .limit(most)))
                .returningResult(MESSAGE.ID)
                .fetch(MESSAGE.ID);
    }

    private Condition notHeld() {
        return DepartureQueries.read(writes.sql()).stream()
                .map(held -> DepartureCommands.those(held.which()).not())
                .reduce(DSL.noCondition(), Condition::and);
    }

    /** Puts claimed messages back; for a start after a crash, when nobody else can hold a claim. */
    @Transactional
    int releaseClaims() {
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.PLANNED.name())
                .where(MESSAGE.STATE.eq(MessageState.SENDING.name()))
                .execute();
    }

    /** Puts messages back that were claimed and not tried, as their service is out. */
    @Transactional
    void putBack(List<Claim> claims, String why) {
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.PLANNED.name())
                .set(MESSAGE.REASON, why)
                .setNull(MESSAGE.CLAIMED_UNTIL)
                .where(MESSAGE.ID.in(claims.stream().map(Claim::id).toList()))
                .and(MESSAGE.STATE.eq(MessageState.SENDING.name()))
                .execute();
    }

    private void sent(Claim claim, String subject, Instant now) {
        settle(claim, MessageState.SENT, "", now);
        if (!subject.equals(claim.subject())) {
            writes.sql()
                    .update(MESSAGE)
                    .set(MESSAGE.SUBJECT, subject)
                    .where(MESSAGE.ID.eq(claim.id()))
                    .execute();
        }
    }

    /** Keeps that these have gone, all at once. */
    @Transactional
    void sent(List<HandedOver.Taken> taken) {
        taken.forEach(one ->
                gone.run(Map.of("id", one.message(), "key", one.key(), "done_at", one.at(), "subject", one.subject())));
    }

    private static Query gone(DSLContext sql) {
        return sql.update(MESSAGE)
                .set(MESSAGE.STATE, DSL.inline(MessageState.SENT.name()))
                .set(MESSAGE.REASON, DSL.inline(""))
                .set(MESSAGE.ATTEMPTS, MESSAGE.ATTEMPTS.plus(DSL.inline(1)))
                .set(MESSAGE.DONE_AT, DSL.param("done_at", MESSAGE.DONE_AT))
                .set(MESSAGE.SUBJECT, DSL.param("subject", MESSAGE.SUBJECT))
                .where(MESSAGE.ID.eq(DSL.param("id", MESSAGE.ID)))
                .and(MESSAGE.MESSAGE_KEY.eq(DSL.param("key", MESSAGE.MESSAGE_KEY)))
                .and(MESSAGE.STATE.eq(DSL.inline(MessageState.SENDING.name())));
    }

    /** One has gone. @param copy of it as it was handed to the mail server, packed */
    @Transactional
    void sent(Claim claim, String subject, byte[] copy, Instant now) {
        sent(claim, subject, now);
        writes.sql()
                .insertInto(SENT_COPY)
                .set(SENT_COPY.MESSAGE_ID, claim.id())
                .set(SENT_COPY.MESSAGE_KEY, claim.key())
                .set(SENT_COPY.SOURCE, copy)
                .set(SENT_COPY.SENT_AT, now)
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** The short way to a link of a text, the same each time it is tried. */
    @Transactional
    String shorten(long message, String link) {
        return links.shorten(message, link);
    }

    /** The same for a text. @param outside by what the gateway names it */
    @Transactional
    void sent(Claim claim, TextWriter.Written text, String outside, Instant now) {
        settle(claim, MessageState.SENT, "", now);
        texts.taken(claim.id(), outside, text.number(), text.words(), text.parts(), now);
    }

    @Transactional
    void withdraw(Claim claim, String reason, Instant now) {
        settle(claim, MessageState.WITHDRAWN, reason, now);
    }

    /** Tries again later, or gives up when that is pointless or has been done often enough. */
    @Transactional
    void failed(Claim claim, String why, boolean lasting, Instant now) {
        if (lasting || claim.attempts() >= WAITS.size()) {
            settle(claim, MessageState.FAILED, why, now);
            return;
        }
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.PLANNED.name())
                .set(MESSAGE.REASON, why)
                .set(MESSAGE.ATTEMPTS, claim.attempts() + 1)
                .set(MESSAGE.DUE_AT, now.plus(WAITS.get(claim.attempts())))
                .where(MESSAGE.ID.eq(claim.id()))
                .execute();
    }

    /** They make no sense and hold up no other. */
    @Transactional
    void unreadable(Collection<Long> messages, Instant now) {
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.FAILED.name())
                .set(MESSAGE.REASON, "it could not be read")
                .set(MESSAGE.DONE_AT, now)
                .where(MESSAGE.ID.in(messages))
                .execute();
    }

    private void settle(Claim claim, MessageState state, String reason, Instant now) {
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, state.name())
                .set(MESSAGE.REASON, reason)
                .set(MESSAGE.ATTEMPTS, claim.attempts() + 1)
                .set(MESSAGE.DONE_AT, now)
                .where(MESSAGE.ID.eq(claim.id()))
                .execute();
    }
}
