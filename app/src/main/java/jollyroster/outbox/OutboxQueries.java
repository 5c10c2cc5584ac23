package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.min;

import java.time.Instant;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.Facts;
import jollyroster.platform.Folded;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.MessageRecord;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads messages. */
@Component
public class OutboxQueries {

    private final Reads reads;
    private final Remembered<Asked, List<Item>> lists;
    private final Remembered<Long, List<Count>> counts;
    private final Remembered<Integer, Map<MessageState, Integer>> totals;

    OutboxQueries(Reads reads, TableChanges changes) {
        this.lists = new Remembered<>(changes, 8, "message");
        this.counts = new Remembered<>(changes, 200, "message");
        this.totals = new Remembered<>(changes, 1, "message");
        this.reads = reads;
    }

    /** One message as a list shows it. @param kind of a letter about no registration @param given what it was given */
    public record Item(
            long id,
            String key,
            long registration,
            long session,
            Anchor anchor,
            Offset offset,
            Channel channel,
            Optional<LetterKind> kind,
            Facts given,
            String recipient,
            String subject,
            MessageState state,
            String reason,
            int attempts,
            Instant nominal,
            Instant due,
            Optional<Instant> done) {}

    /** How many messages of one plan line of a session are in one state, and when the first is due. */
    public record Count(
            Anchor anchor,
            Offset offset,
            Channel channel,
            String audience,
            MessageState state,
            int messages,
            Instant first) {

        /** Whether they are of this line of a plan. */
        public boolean isOf(PlanLine line) {
            return anchor == line.anchor()
                    && offset.equals(line.offset())
                    && line.channels().has(channel)
                    && audience.equals(line.audience().code());
        }
    }

    /**
     * Messages in one state: planned and sending by when they are due, the others by when they were settled, latest
     * first.
     *
     * @param session only those about it; 0 for any
     * @param anchor only these; empty for any
     */
    public List<Item> list(Collection<MessageState> states, long session, Optional<Anchor> anchor, int most) {
        return list(states, session, anchor, "", most);
    }

    /** The same of some people. @param sought part of a name or an address; empty for everybody */
    public List<Item> list(
            Collection<MessageState> states, long session, Optional<Anchor> anchor, String sought, int most) {
        return lists.get(new Asked(List.copyOf(states), session, anchor, sought, most), this::read);
    }

    private record Asked(List<MessageState> states, long session, Optional<Anchor> anchor, String sought, int most) {}

    private static Condition to(String sought) {
        return sought.isEmpty()
                ? DSL.noCondition()
                : Folded.containsAscii(MESSAGE.RECIPIENT, sought)
                        .or(MESSAGE.REGISTRATION_ID.in(DSL.select(REGISTRATION.ID)
                                .from(REGISTRATION)
                                .where(Folded.contains(REGISTRATION.NAME, sought))));
    }

    /** Why messages failed, and how many for each cause, the commonest first. */
    public Map<String, Integer> causes() {
        Map<String, Integer> causes = new LinkedHashMap<>();
        reads.sql()
                .select(MESSAGE.REASON, count())
                .from(MESSAGE)
                .where(MESSAGE.STATE.eq(MessageState.FAILED.name()))
                .groupBy(MESSAGE.REASON)
                .orderBy(count().desc(), MESSAGE.REASON)
                .forEach(r -> causes.put(r.value1(), r.value2()));
        return causes;
    }

    private List<Item> read(Asked asked) {
        boolean ahead = asked.states().contains(MessageState.PLANNED);
        return reads.sql()
                .selectFrom(MESSAGE)
                .where(MESSAGE.STATE.in(names(asked.states())))
                .and(asked.session() == 0 ? DSL.noCondition() : MESSAGE.SESSION_ID.eq(asked.session()))
                .and(to(asked.sought()))
                .and(asked.anchor().map(a -> MESSAGE.ANCHOR.eq(a.name())).orElseGet(DSL::noCondition))
                .orderBy(
                        ahead
                                ? List.of(MESSAGE.DUE_AT.asc(), MESSAGE.ID.asc())
                                : List.of(MESSAGE.DUE_AT.desc(), MESSAGE.ID.desc()))
                .limit(asked.most())
                .fetch(OutboxQueries::item);
    }

    /** The messages about these registrations, the latest first, planned ones before all. */
    public List<Item> about(Collection<Long> registrations, int most) {
        return reads.sql()
                .selectFrom(MESSAGE)
                .where(MESSAGE.REGISTRATION_ID.in(registrations))
                .orderBy(MESSAGE.DUE_AT.desc(), MESSAGE.ID.desc())
                .limit(most)
                .fetch(OutboxQueries::item);
    }

    private static List<String> names(Collection<MessageState> states) {
        return states.stream().map(Enum::name).toList();
    }

    public int inState(MessageState state) {
        return reads.sql().fetchCount(MESSAGE, MESSAGE.STATE.eq(state.name()));
    }

    /** How many messages are in each state. */
    public Map<MessageState, Integer> totals() {
        return totals.get(0, any -> readTotals());
    }

    private Map<MessageState, Integer> readTotals() {
        Map<MessageState, Integer> totals = new EnumMap<>(MessageState.class);
        reads.sql()
                .select(MESSAGE.STATE, count())
                .from(MESSAGE)
                .groupBy(MESSAGE.STATE)
                .forEach(r -> totals.put(MessageState.valueOf(r.value1()), r.value2()));
        return totals;
    }

    public Optional<Item> item(long id) {
        return reads.sql().selectFrom(MESSAGE).where(MESSAGE.ID.eq(id)).fetchOptional(OutboxQueries::item);
    }

    /** The messages of a session, by plan line and state. */
    public List<Count> ofSession(long session) {
        return counts.get(session, this::counted);
    }

    private List<Count> counted(long session) {
        return reads.sql()
                .select(
                        MESSAGE.ANCHOR,
                        MESSAGE.AMOUNT,
                        MESSAGE.UNIT,
                        MESSAGE.CHANNEL,
                        MESSAGE.AUDIENCE,
                        MESSAGE.STATE,
                        count(),
                        min(MESSAGE.DUE_AT))
                .from(MESSAGE)
                .where(MESSAGE.SESSION_ID.eq(session))
                .groupBy(MESSAGE.ANCHOR, MESSAGE.AMOUNT, MESSAGE.UNIT, MESSAGE.CHANNEL, MESSAGE.AUDIENCE, MESSAGE.STATE)
                .fetch(r -> new Count(
                        Anchor.valueOf(r.value1()),
                        new Offset(r.value2(), Offset.Unit.valueOf(r.value3())),
                        Channel.valueOf(r.value4()),
                        r.value5(),
                        MessageState.valueOf(r.value6()),
                        r.value7(),
                        r.value8()));
    }

    /** The messages to one registration, in order of time. */
    public List<Item> ofRegistration(long registration) {
        return reads.sql()
                .selectFrom(MESSAGE)
                .where(MESSAGE.REGISTRATION_ID.eq(registration))
                .orderBy(MESSAGE.DUE_AT, MESSAGE.ID)
                .fetch(OutboxQueries::item);
    }

    static Item item(MessageRecord m) {
        return new Item(
                m.getId(),
                m.getMessageKey(),
                m.getRegistrationId(),
                m.getSessionId(),
                Anchor.valueOf(m.getAnchor()),
                new Offset(m.getAmount(), Offset.Unit.valueOf(m.getUnit())),
                Channel.valueOf(m.getChannel()),
                m.getTemplate().isEmpty() ? Optional.empty() : Optional.of(LetterKind.valueOf(m.getTemplate())),
                m.getTemplate().isEmpty() ? Facts.none() : Facts.read(m.getGiven()),
                m.getRecipient(),
                m.getSubject(),
                MessageState.valueOf(m.getState()),
                m.getReason(),
                m.getAttempts(),
                m.getNominalAt(),
                m.getDueAt(),
                Optional.ofNullable(m.getDoneAt()));
    }

    /** What became of letters to many, by letter. */
    public Map<Long, Map<MessageState, Integer>> ofMailings(Collection<Long> mailings) {
        Map<Long, Map<MessageState, Integer>> counts = new LinkedHashMap<>();
        reads.sql()
                .select(MESSAGE.MAILING_ID, MESSAGE.STATE, count())
                .from(MESSAGE)
                .where(MESSAGE.MAILING_ID.in(mailings))
                .groupBy(MESSAGE.MAILING_ID, MESSAGE.STATE)
                .forEach(r -> counts.computeIfAbsent(r.value1(), id -> new EnumMap<>(MessageState.class))
                        .put(MessageState.valueOf(r.value2()), r.value3()));
        return counts;
    }
}
