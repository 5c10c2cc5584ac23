package jollyroster.roster;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.sum;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Folded;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.OrderField;
import org.jooq.Record1;
import org.jooq.SelectConditionStep;
import org.jooq.SelectSeekStepN;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads a roster page by page, so that ten thousand people are no strain. */
@Component
public class RosterPageQueries {

    private static final int MOST_FOUND = 100_000;
    private final Reads reads;
    private final RegistrationQueries roster;
    private final Remembered<Long, Map<RegistrationState, Count>> counts;
    private final Remembered<Search, List<Long>> found;

    RosterPageQueries(Reads reads, RegistrationQueries roster, TableChanges changes) {
        this.found = new Remembered<>(changes, 20, "registration", "person");
        this.counts = new Remembered<>(changes, 200, "registration");
        this.reads = reads;
        this.roster = roster;
    }

    /** In which order. */
    public enum Sort {
        NAME,
        /** Seated, then called up, then the line, in its order; then those who left. Others in order of registering. */
        STATE,
        /** Latest first. */
        LATEST
    }

    /**
     * What is looked for.
     *
     * @param text in names, addresses and companions; empty for anything
     * @param states which; empty for all
     * @param namesOnly whether the text is looked for in the names of those who registered only
     * @param question with {@code answer}, the answer to it; 0 for any
     * @param marked only those that are marked
     */
    public record Filter(
            String text,
            boolean namesOnly,
            List<RegistrationState> states,
            long question,
            String answer,
            boolean marked,
            Sort sort) {
        public Filter {
            states = List.copyOf(states);
        }

        /** The same among those in these states. */
        public Filter in(List<RegistrationState> only) {
            return new Filter(text, namesOnly, only, question, answer, marked, sort);
        }

        public static Filter everybody() {
            return new Filter("", false, List.of(), 0, "", false, Sort.STATE);
        }
    }

    /** Parties and people in a state. */
    public record Count(int parties, int people) {}

    /** How many there are in each state; states nobody is in are left out. */
    public Map<RegistrationState, Count> counts(long session) {
        return counts.get(session, this::counted);
    }

    private Map<RegistrationState, Count> counted(long session) {
        Map<RegistrationState, Count> counts = new EnumMap<>(RegistrationState.class);
        reads.sql()
                .select(REGISTRATION.STATE, DSL.count(), sum(REGISTRATION.PARTY))
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .groupBy(REGISTRATION.STATE)
                .forEach(r -> counts.put(
                        RegistrationState.valueOf(r.value1()),
                        new Count(r.value2(), r.value3().intValue())));
        return counts;
    }

    /** The numbers of those that match. People's addresses are only looked at when they are searched. */
    private SelectConditionStep<Record1<Long>> matching(long session, Filter filter) {
        var from = reads.sql().select(REGISTRATION.ID).from(REGISTRATION);
        var joined = filter.text().isEmpty() ? from : from.join(PERSON).on(PERSON.ID.eq(REGISTRATION.PERSON_ID));
        return joined.where(matches(session, filter));
    }

    /** Those that match and come after {@code after} in the order of the filter; 0 begins at the first. */
    public List<Registration> page(long session, Filter filter, long after, int size) {
        return inOrder(ordered(session, filter, after == 0 ? DSL.noCondition() : isAfter(filter.sort(), after))
                .limit(size)
                .fetch(REGISTRATION.ID));
    }

    /** These registrations in this order. */
    public List<Registration> inOrder(List<Long> ids) {
        Map<Long, Registration> known = roster.registrations(ids);
        return ids.stream().map(known::get).toList();
    }

    /** The numbers of all that match, in the order of the filter; kept, so that a search is made once for all its pages. */
    public List<Long> found(long session, Filter filter) {
        return found.get(
                new Search(session, filter),
                search -> ordered(session, filter, DSL.noCondition())
                        .limit(MOST_FOUND)
                        .fetch(REGISTRATION.ID));
    }

    private record Search(long session, Filter filter) {}

    private SelectSeekStepN<Record1<Long>> ordered(long session, Filter filter, Condition from) {
        return matching(session, filter).and(from).orderBy(order(filter.sort()));
    }

    private static List<OrderField<?>> order(Sort sort) {
        return switch (sort) {
            case NAME -> List.of(REGISTRATION.NAME, REGISTRATION.ID);
            case STATE -> List.of(rank(REGISTRATION.STATE), inLine(REGISTRATION.WAITING_SINCE), REGISTRATION.ID);
            case LATEST -> List.of(REGISTRATION.ID.desc());
        };
    }

    /** The numbers of all that match, at most {@code most}. */
    public List<Long> ids(long session, Filter filter, int most) {
        return matching(session, filter).orderBy(REGISTRATION.ID).limit(most).fetch(REGISTRATION.ID);
    }

    private static Condition isAfter(Sort sort, long after) {
        var last = REGISTRATION.as("last");
        return switch (sort) {
            case NAME ->
                DSL.row(REGISTRATION.NAME, REGISTRATION.ID)
                        .gt(DSL.select(last.NAME, last.ID).from(last).where(last.ID.eq(after)));
            case STATE ->
                DSL.row(rank(REGISTRATION.STATE), inLine(REGISTRATION.WAITING_SINCE), REGISTRATION.ID)
                        .gt(DSL.select(rank(last.STATE), inLine(last.WAITING_SINCE), last.ID)
                                .from(last)
                                .where(last.ID.eq(after)));
            case LATEST -> REGISTRATION.ID.lt(after);
        };
    }

    private static Field<Integer> rank(Field<String> state) {
        return DSL.case_(state)
                .when(inline("REGISTERED"), inline(0))
                .when(inline("UNCONFIRMED"), inline(1))
                .when(inline("MAYBE"), inline(2))
                .when(inline("CALLED_UP"), inline(3))
                .when(inline("WAITLISTED"), inline(4))
                .when(inline("DECLINED"), inline(5))
                .else_(inline(6));
    }

    /** The place in the line; those who do not wait are all alike. */
    private static Field<String> inLine(Field<Instant> waitingSince) {
        return DSL.field("coalesce({0}, '')", String.class, waitingSince);
    }

    private static Condition matches(long session, Filter filter) {
        List<Condition> all = new ArrayList<>(List.of(REGISTRATION.SESSION_ID.eq(session)));
        if (!filter.text().isEmpty()) {
            Condition named = Folded.contains(REGISTRATION.NAME, filter.text());
            all.add(
                    filter.namesOnly()
                            ? named
                            : named.or(Folded.containsAscii(PERSON.EMAIL, filter.text()))
                                    .or(Folded.contains(REGISTRATION.COMPANIONS, filter.text())));
        }
        if (!filter.states().isEmpty()) {
            all.add(REGISTRATION.STATE.in(
                    filter.states().stream().map(Enum::name).toList()));
        }
        if (filter.question() > 0 && !filter.answer().isEmpty()) {
            all.add(DSL.exists(DSL.selectOne()
                    .from(ANSWER)
                    .where(ANSWER.REGISTRATION_ID.eq(REGISTRATION.ID))
                    .and(ANSWER.QUESTION_ID.eq(filter.question()))
                    .and(DSL.position(
                                    DSL.concat(inline("\n"), ANSWER.VALUE, inline("\n")), "\n" + filter.answer() + "\n")
                            .gt(0))));
        }
        if (filter.marked()) {
            all.add(REGISTRATION.IS_MARKED.isTrue());
        }
        return DSL.and(all);
    }
}
