package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.MessagePlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.SendTime;
import jollyroster.core.messages.Timing;
import jollyroster.platform.Facts;
import jollyroster.platform.KeptInsert;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.MessageRecord;
import jollyroster.texting.AgreementCommands;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/**
 * Writes messages into the outbox, always in the transaction of what caused them, and takes them out again while they
 * are unsent. What is not a transaction of its own is refused outside of one.
 */
@Component
public class OutboxCommands {

    private static final Duration LINK_AGAIN_AT_MOST_EVERY = Duration.ofMinutes(10);
    private static final List<String> TIMED =
            Anchor.TIMED.stream().map(Enum::name).toList();
    private final Writes writes;
    private final Templates templates;
    private final OrganisationQueries organisation;
    private final KeptInsert<MessageRecord> insert;
    private final PlanLineCommands plans;
    private final HoursCommands hours;
    private final AgreementCommands agreements;

    OutboxCommands(
            Writes writes,
            Templates templates,
            OrganisationQueries organisation,
            PlanLineCommands plans,
            HoursCommands hours,
            AgreementCommands agreements) {
        this.agreements = agreements;
        this.hours = hours;
        this.writes = writes;
        this.templates = templates;
        this.organisation = organisation;
        this.insert = writes.keepInsert(
                MESSAGE,
                insert -> insert.onConflict(MESSAGE.REGISTRATION_ID, MESSAGE.MESSAGE_KEY)
                        .doUpdate()
                        .set(MESSAGE.STATE, DSL.excluded(MESSAGE.STATE))
                        .set(MESSAGE.REASON, DSL.excluded(MESSAGE.REASON))
                        .set(MESSAGE.NOMINAL_AT, DSL.excluded(MESSAGE.NOMINAL_AT))
                        .set(MESSAGE.DUE_AT, DSL.excluded(MESSAGE.DUE_AT))
                        .set(MESSAGE.DONE_AT, DSL.excluded(MESSAGE.DONE_AT))
                        .where(MESSAGE.STATE.eq(DSL.inline(MessageState.WITHDRAWN.name()))));
        this.plans = plans;
    }

    /**
     * Queues the answer to what just happened, due at once. A link asked for again within ten minutes is sent once.
     *
     * @param anchor one for which {@link Anchor#isAnswer()} holds
     */
    public void answer(Anchor anchor, Recipient to, Instant now) {
        long occasion = anchor == Anchor.LINK_AGAIN
                ? now.getEpochSecond() / LINK_AGAIN_AT_MOST_EVERY.toSeconds()
                : now.toEpochMilli();
        answer(anchor, to, String.valueOf(occasion), Facts.none(), now);
    }

    /**
     * The same with what its template may name besides how things stand.
     *
     * @param occasion the same for the same letter, which then goes once
     */
    public void answer(Anchor anchor, Recipient to, String occasion, Facts given, Instant now) {
        MessageRecord row = MessageRows.email(new PlanLine(anchor, Offset.none()), to, occasion, now, now, now);
        row.setGiven(given.json());
        insert(List.of(row));
        insert(beside(row, anchor, to, occasion, now));
    }

    /** When a line of a plan goes to somebody, by their clock and the hours of the offering. */
    public Instant due(PlanLine line, Recipient to) {
        return SendTime.of(to.timing(), line, to.zone(), hours.of(to.offering()))
                .at();
    }

    /** The texts that the plan has beside an answer, for whoever agreed to texts. */
    private List<MessageRecord> beside(
            MessageRecord answer, Anchor anchor, Recipient to, String occasion, Instant due) {
        List<PlanLine> lines = plans.of(to.offering()).stream()
                .filter(line -> line.anchor() == anchor && line.channels().has(Channel.TEXT))
                .toList();
        Optional<String> number = lines.isEmpty() ? Optional.empty() : agreements.numberFor(to.registration());
        return number.stream()
                .flatMap(some -> lines.stream().map(line -> beside(answer, line, to, some, occasion, due)))
                .toList();
    }

    private MessageRecord beside(
            MessageRecord answer, PlanLine line, Recipient to, String number, String occasion, Instant due) {
        Instant goes =
                hours.of(to.offering()).answeredByText(due.atZone(to.zone())).toInstant();
        MessageRecord row = MessageRows.text(line, to, number, occasion, due, goes, answer.getCreatedAt());
        row.setGiven(answer.getGiven());
        row.setChangeId(answer.getChangeId());
        return row;
    }

    /**
     * Queues the answer {@code anchor} and every reminder of the offering's plan for a person who has just been given
     * seats. Reminders that will not go are kept as withdrawn, with the reason.
     *
     * @param dates the person as a recipient for each date they hold seats on, at least one
     * @param given what the template of the answer may name besides how things stand
     */
    public void answerAndRemind(Anchor anchor, List<Recipient> dates, Facts given, Instant now) {
        Recipient first = dates.get(0);
        List<MessageRecord> rows = new ArrayList<>();
        String occasion = String.valueOf(now.toEpochMilli());
        MessageRecord answer = MessageRows.email(new PlanLine(anchor, Offset.none()), first, occasion, now, now, now);
        answer.setGiven(given.json());
        rows.add(answer);
        rows.addAll(beside(answer, anchor, first, occasion, now));
        List<PlanLine> plan = plans.of(first.offering());
        dates.forEach(date -> rows.addAll(reminders(plan, date, now)));
        insert(rows);
    }

    /**
     * Plans the reminders of each of these people anew, after what they depend on has changed. Those planned before must
     * have been withdrawn.
     */
    public void remind(Collection<Recipient> people, Instant now) {
        people.forEach(to -> insert(reminders(plans.of(to.offering()), to, now)));
    }

    private List<MessageRecord> reminders(List<PlanLine> plan, Recipient to, Instant now) {
        if (!to.reminded()) {
            return List.of();
        }
        boolean texts = plan.stream().anyMatch(line -> line.channels().has(Channel.TEXT));
        Optional<String> number = texts ? agreements.numberFor(to.registration()) : Optional.empty();
        MessagePlan.Reader reader = new MessagePlan.Reader(to.zone(), number.isPresent());
        return MessagePlan.schedule(plan, to.timing(), reader, hours.of(to.offering()), now).stream()
                .map(entry -> MessageRows.of(entry, to, number.orElse(""), now))
                .toList();
    }

    /**
     * Queues the news of a change to a session, to leave when the change can no longer be undone. Earlier news to the same
     * registrations that has not left is withdrawn: a letter says how everything stands when it leaves, so that people are
     * told once. What that would have said of how things were is said now.
     *
     * @param people who are told, all as recipients for the same session
     * @param change the change that causes it
     * @param was when it was to be before; what has not moved was when it is
     */
    public void news(Anchor anchor, List<Recipient> people, long change, Was was, Instant due, Instant now) {
        Map<Long, Facts> believed =
                people.isEmpty() ? Map.of() : believed(people.get(0).session());
        for (Recipient to : people) {
            withdraw(
                    MESSAGE.REGISTRATION_ID.eq(to.registration()).and(MESSAGE.CHANGE_ID.isNotNull()),
                    "a later change says it all",
                    now);
            Facts before = believed.getOrDefault(to.registration(), Facts.none());
            String occasion = "change-" + change + "-" + to.session();
            MessageRecord row = MessageRows.email(new PlanLine(anchor, Offset.none()), to, occasion, due, due, now);
            row.setChangeId(change);
            row.setGiven(was.told(before).json());
            insert(List.of(row));
            insert(beside(row, anchor, to, occasion, due));
        }
    }

    /** What people still believe of a session, by registration, as they have not been told of a change yet. */
    private Map<Long, Facts> believed(long session) {
        return writes
                .sql()
                .select(MESSAGE.REGISTRATION_ID, MESSAGE.GIVEN)
                .from(MESSAGE)
                .where(MESSAGE.SESSION_ID.eq(session))
                .and(MESSAGE.CHANGE_ID.isNotNull())
                .and(MESSAGE.STATE.eq(MessageState.PLANNED.name()))
                .and(MESSAGE.GIVEN.ne(""))
                .orderBy(MESSAGE.ID)
                .fetch()
                .stream()
                .collect(Collectors.toMap(r -> r.value1(), r -> Facts.read(r.value2()), (first, later) -> first));
    }

    /** Takes the unsent news of a change out of the outbox. @return how many people had not been told */
    public int withdrawNews(long change, String reason, Instant now) {
        return withdraw(MESSAGE.CHANGE_ID.eq(change), reason, now);
    }

    /** Takes every unsent reminder of a session out of the outbox. */
    public void withdrawRemindersOf(long session, String reason, Instant now) {
        withdraw(MESSAGE.SESSION_ID.eq(session).and(MESSAGE.ANCHOR.in(TIMED)), reason, now);
    }

    /**
     * Queues a letter to somebody who is on no session. Due at once.
     *
     * @param key the same for the same letter, which then goes once
     * @param given what its template may name, see {@link LetterKind}
     * @param calendar a calendar file that goes with it; empty for none
     */
    public void letter(LetterKind kind, String key, String recipient, Facts given, String calendar, Instant now) {
        Recipient to = new Recipient(0, 0, 0, recipient, ZoneOffset.UTC, "", at(now), 0, false);
        Map<String, Object> values = new HashMap<>(given.values());
        values.put("organisation", organisation.organisation().name());
        MessageRecord row = MessageRows.email(new PlanLine(Anchor.LETTER, Offset.none()), to, "", now, now, now);
        row.setMessageKey(key);
        row.setSubject(templates.subject(kind, values));
        row.setTemplate(kind.name());
        row.setGiven(given.json());
        row.setCalendar(calendar);
        insert(List.of(row));
    }

    private static Timing at(Instant now) {
        return new Timing(DoorHours.of(new Interval(now, now), Duration.ZERO, Duration.ZERO), ZoneOffset.UTC);
    }

    /** Queues a letter that the organiser wrote to a registered person. Due at once. */
    public void written(Recipient to, String subject, String body, Instant now) {
        insert(List.of(written(to, String.valueOf(now.toEpochMilli()), subject, body, now, now)));
    }

    /** The same as one of a letter to many, which each gets once. @param gone whether they have cancelled, and are written to all the same */
    public void written(
            Recipient to, String subject, String body, long mailing, boolean gone, Instant due, Instant now) {
        MessageRecord row = written(to, "mailing-" + mailing, subject, body, due, now);
        row.setGiven(Facts.of("mailing", mailing).and(Obstacles.GONE, gone).json());
        row.setMailingId(mailing);
        insert(List.of(row));
    }

    private static MessageRecord written(
            Recipient to, String occasion, String subject, String body, Instant due, Instant now) {
        MessageRecord row = MessageRows.email(new PlanLine(Anchor.WRITTEN, Offset.none()), to, occasion, due, due, now);
        row.setSubject(subject);
        row.setBody(body);
        return row;
    }

    /** Takes what has not gone of a letter to many out of the outbox. @return how many */
    public int withdrawMailing(long mailing, String reason, Instant now) {
        return withdraw(MESSAGE.MAILING_ID.eq(mailing), reason, now);
    }

    /**
     * Queues a text to a number about no registration. Due at once.
     *
     * @param key the same for the same text, which then goes once
     */
    public void text(String key, String number, String subject, String words, Instant now) {
        Recipient to = new Recipient(0, 0, 0, "", ZoneOffset.UTC, "", at(now), 0, false);
        MessageRecord row = MessageRows.text(new PlanLine(Anchor.LETTER, Offset.none()), to, number, "", now, now, now);
        row.setMessageKey(key);
        row.setSubject(subject);
        row.setBody(words);
        insert(List.of(row));
    }

    /** A message that is planned already stays; one that was withdrawn is planned again. Who has no address or number gets none. */
    private void insert(List<MessageRecord> rows) {
        insert.runAll(rows.stream().filter(r -> !r.getRecipient().isEmpty()).toList());
    }

    /** Takes every unsent reminder to this registration out of the outbox. */
    public int withdrawReminders(long registration, String reason, Instant now) {
        return withdraw(MESSAGE.REGISTRATION_ID.eq(registration).and(MESSAGE.ANCHOR.in(TIMED)), reason, now);
    }

    private int withdraw(Condition which, String reason, Instant now) {
        return writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.WITHDRAWN.name())
                .set(MESSAGE.REASON, reason)
                .set(MESSAGE.DONE_AT, now)
                .where(which)
                .and(MESSAGE.STATE.in(MessageState.PLANNED.name(), MessageState.FAILED.name()))
                .execute();
    }
}
