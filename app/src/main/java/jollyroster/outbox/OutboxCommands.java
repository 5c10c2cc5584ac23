package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.PLAN_LINE;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.MessagePlan;
import jollyroster.core.messages.MessagePlan.Entry;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.QuietHours;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.MessageRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Writes messages into the outbox, always in the transaction of what caused them, and takes them out again while they
 * are unsent.
 */
@Component
public class OutboxCommands {

    private static final Duration LINK_AGAIN_AT_MOST_EVERY = Duration.ofMinutes(10);
    private final Writes writes;

    OutboxCommands(Writes writes) {
        this.writes = writes;
    }

    /** Gives an offering the default plan. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void planByDefault(long offering) {
        PlanLine.DEFAULT.forEach(line -> writes.sql()
                .insertInto(PLAN_LINE)
                .set(PLAN_LINE.OFFERING_ID, offering)
                .set(PLAN_LINE.ANCHOR, line.anchor().name())
                .set(PLAN_LINE.AMOUNT, line.offset().amount())
                .set(PLAN_LINE.UNIT, line.offset().unit().name())
                .execute());
    }

    /**
     * Queues the answer to what just happened, due at once. A link asked for again within ten minutes is sent once.
     *
     * @param anchor one for which {@link Anchor#isAnswer()} holds
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void answer(Anchor anchor, Recipient to, Instant now) {
        long occasion = anchor == Anchor.LINK_AGAIN
                ? now.getEpochSecond() / LINK_AGAIN_AT_MOST_EVERY.toSeconds()
                : now.toEpochMilli();
        insert(List.of(row(new PlanLine(anchor, Offset.none()), to, String.valueOf(occasion), now, now, now)));
    }

    /**
     * Queues the answer {@code anchor} and every reminder of the offering's plan for a person who has just been given
     * seats. Reminders that will not go are kept as withdrawn, with the reason.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void answerAndRemind(Anchor anchor, Recipient to, Instant now) {
        List<MessageRecord> rows = new java.util.ArrayList<>();
        rows.add(row(new PlanLine(anchor, Offset.none()), to, String.valueOf(now.toEpochMilli()), now, now, now));
        MessagePlan.schedule(plan(to.offering()), to.start(), to.zone(), QuietHours.DEFAULT, now).stream()
                .map(entry -> reminder(entry, to, now))
                .forEach(rows::add);
        insert(rows);
    }

    private MessageRecord reminder(Entry entry, Recipient to, Instant now) {
        String occasion = entry.line().offset().amount()
                + entry.line().offset().unit().name() + "-" + to.start().toEpochSecond() + "-" + now.toEpochMilli();
        if (entry instanceof Entry.Send send) {
            return row(
                    entry.line(),
                    to,
                    occasion,
                    send.time().nominal(),
                    send.time().at(),
                    now);
        }
        Entry.Skip skip = (Entry.Skip) entry;
        MessageRecord row = row(entry.line(), to, occasion, skip.nominal(), skip.nominal(), now);
        row.setState(MessageState.WITHDRAWN.name());
        row.setReason(Reasons.of(skip.because()));
        row.setDoneAt(now);
        return row;
    }

    private List<PlanLine> plan(long offering) {
        return writes.sql()
                .selectFrom(PLAN_LINE)
                .where(PLAN_LINE.OFFERING_ID.eq(offering))
                .fetch(OutboxQueries::toPlanLine);
    }

    private static MessageRecord row(
            PlanLine line, Recipient to, String occasion, Instant nominal, Instant due, Instant now) {
        MessageRecord row = new MessageRecord();
        row.setMessageKey("r" + to.registration() + "-" + line.anchor().name().toLowerCase() + "-" + occasion);
        row.setRegistrationId(to.registration());
        row.setSessionId(to.session());
        row.setAnchor(line.anchor().name());
        row.setAmount(line.offset().amount());
        row.setUnit(line.offset().unit().name());
        row.setRecipient(to.email());
        row.setSubject(Subjects.of(line.anchor(), to.title()));
        row.setState(MessageState.PLANNED.name());
        row.setReason("");
        row.setAttempts(0);
        row.setNominalAt(nominal);
        row.setDueAt(due);
        row.setCreatedAt(now);
        row.changed(MESSAGE.ID, false);
        return row;
    }

    private void insert(List<MessageRecord> rows) {
        var insert = writes.sql()
                .insertInto(
                        MESSAGE,
                        MESSAGE.MESSAGE_KEY,
                        MESSAGE.REGISTRATION_ID,
                        MESSAGE.SESSION_ID,
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.RECIPIENT,
                        MESSAGE.SUBJECT,
                        MESSAGE.STATE,
                        MESSAGE.REASON,
                        MESSAGE.ATTEMPTS,
                        MESSAGE.NOMINAL_AT,
                        MESSAGE.DUE_AT,
                        MESSAGE.DONE_AT,
                        MESSAGE.CREATED_AT);
        for (MessageRecord row : rows) {
            insert = insert.values(
                    row.getMessageKey(),
                    row.getRegistrationId(),
                    row.getSessionId(),
                    row.getAnchor(),
                    row.getAmount(),
                    row.getUnit(),
                    row.getRecipient(),
                    row.getSubject(),
                    row.getState(),
                    row.getReason(),
                    row.getAttempts(),
                    row.getNominalAt(),
                    row.getDueAt(),
                    row.getDoneAt(),
                    row.getCreatedAt());
        }
        insert.onDuplicateKeyIgnore().execute();
    }

    /** Takes every unsent reminder to this registration out of the outbox. */
    @Transactional
    public int withdrawReminders(long registration, String reason, Instant now) {
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.WITHDRAWN.name())
                .set(MESSAGE.REASON, reason)
                .set(MESSAGE.DONE_AT, now)
                .where(MESSAGE.REGISTRATION_ID.eq(registration))
                .and(MESSAGE.STATE.in(MessageState.PLANNED.name(), MessageState.FAILED.name()))
                .and(MESSAGE.ANCHOR.eq(Anchor.BEFORE_START.name()))
                .execute();
    }

    /** Puts a failed message back into the line, due at once. Does nothing to a message in another state. */
    @Transactional
    public boolean retry(long message, Instant now) {
        return writes.sql()
                        .update(MESSAGE)
                        .set(MESSAGE.STATE, MessageState.PLANNED.name())
                        .set(MESSAGE.REASON, "")
                        .set(MESSAGE.ATTEMPTS, 0)
                        .set(MESSAGE.DUE_AT, now)
                        .setNull(MESSAGE.DONE_AT)
                        .where(MESSAGE.ID.eq(message))
                        .and(MESSAGE.STATE.eq(MessageState.FAILED.name()))
                        .execute()
                == 1;
    }
}
