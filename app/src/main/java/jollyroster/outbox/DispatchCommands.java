package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.SENT_COPY;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.MessageRecord;
import jollyroster.texting.ShortLinkCommands;
import jollyroster.texting.TextLogCommands;
import org.jooq.Condition;
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

    DispatchCommands(Writes writes, TextLogCommands texts, ShortLinkCommands links) {
        this.links = links;
        this.writes = writes;
        this.texts = texts;
    }

    /**
     * A message in the worker's hands.
     *
     * @param kind the letter's kind; empty when the message brings its words, or is about a registration
     * @param given what its template is given besides how things stand
     */
    record Claim(
            long id,
            String key,
            long registration,
            long session,
            Anchor anchor,
            Channel channel,
            Audience audience,
            String recipient,
            String subject,
            String body,
            Optional<LetterKind> kind,
            Facts given,
            String calendar,
            int attempts,
            Instant due) {

        static Claim of(MessageRecord m) {
            return new Claim(
                    m.getId(),
                    m.getMessageKey(),
                    m.getRegistrationId(),
                    m.getSessionId(),
                    Anchor.valueOf(m.getAnchor()),
                    Channel.valueOf(m.getChannel()),
                    Audience.of(m.getAudience()).orElse(Audience.EVERYBODY),
                    m.getRecipient(),
                    m.getSubject(),
                    m.getBody(),
                    m.getTemplate().isEmpty() ? Optional.empty() : Optional.of(LetterKind.valueOf(m.getTemplate())),
                    Facts.read(m.getGiven()),
                    m.getCalendar(),
                    m.getAttempts(),
                    m.getDueAt());
        }
    }

    /**
     * Claims up to {@code most} messages of one channel that are due, the longest due first; also those whose claim has ended without
     * anybody saying what became of them.
     *
     * @param until when the claim ends by itself
     */
    @Transactional
    List<Claim> claim(Channel channel, int most, Instant now, Instant until) {
        List<Claim> due = writes.sql()
                .selectFrom(MESSAGE)
                .where(MESSAGE.STATE
                        .eq(MessageState.PLANNED.name())
                        .and(MESSAGE.DUE_AT.le(now))
                        .or(MESSAGE.STATE.eq(MessageState.SENDING.name()).and(MESSAGE.CLAIMED_UNTIL.le(now))))
                .and(MESSAGE.CHANNEL.eq(channel.name()))
                .and(notHeld())
                .orderBy(MESSAGE.DUE_AT, MESSAGE.ID)
                .limit(most)
                .fetch(Claim::of);
        if (!due.isEmpty()) {
            writes.sql()
                    .update(MESSAGE)
                    .set(MESSAGE.STATE, MessageState.SENDING.name())
                    .set(MESSAGE.CLAIMED_UNTIL, until)
                    .where(MESSAGE.ID.in(due.stream().map(Claim::id).toList()))
                    .execute();
        }
        return due.stream()
                .sorted(Comparator.comparing(Claim::due).thenComparing(Claim::id))
                .toList();
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

    @Transactional
    void sent(Claim claim, String subject, Instant now) {
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
        writes.sql()
                .batch(taken.stream()
                        .map(one -> writes.sql()
                                .update(MESSAGE)
                                .set(MESSAGE.STATE, MessageState.SENT.name())
                                .set(MESSAGE.REASON, "")
                                .set(MESSAGE.ATTEMPTS, MESSAGE.ATTEMPTS.plus(1))
                                .set(MESSAGE.DONE_AT, one.at())
                                .set(MESSAGE.SUBJECT, one.subject())
                                .where(MESSAGE.MESSAGE_KEY.eq(one.key()))
                                .and(MESSAGE.STATE.eq(MessageState.SENDING.name())))
                        .toList())
                .execute();
    }

    /** The same, with a copy of it as it was handed to the mail server. */
    @Transactional
    void sent(Claim claim, Letter letter, Instant now) {
        sent(claim, letter.subject(), now);
        writes.sql()
                .insertInto(SENT_COPY)
                .set(SENT_COPY.MESSAGE_ID, claim.id())
                .set(SENT_COPY.MESSAGE_KEY, claim.key())
                .set(SENT_COPY.SOURCE, letter.packed())
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
