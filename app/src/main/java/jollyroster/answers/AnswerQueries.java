package jollyroster.answers;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.QUESTION;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static org.jooq.impl.DSL.count;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads what people who are on have answered. */
@Component
class AnswerQueries {

    private static final List<String> ON =
            RegistrationState.ACTIVE.stream().map(Enum::name).toList();
    private final Reads reads;

    AnswerQueries(Reads reads) {
        this.reads = reads;
    }

    /** Somebody and what they answered. @param person 0 for the registrant, from 1 for companions */
    record Said(long registration, long session, String name, int person, String state, String wording, String value) {}

    /** How often each answer was given on these sessions: question, then answer. */
    Map<Long, Map<String, Integer>> times(Collection<Long> sessions, Collection<Long> questions) {
        Map<Long, Map<String, Integer>> times = new HashMap<>();
        reads.sql()
                .select(ANSWER.QUESTION_ID, ANSWER.VALUE, count())
                .from(ANSWER)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                .where(ANSWER.QUESTION_ID.in(questions))
                .and(on(sessions))
                .groupBy(ANSWER.QUESTION_ID, ANSWER.VALUE)
                .forEach(r -> times.computeIfAbsent(r.value1(), q -> new LinkedHashMap<>())
                        .put(r.value2(), r.value3()));
        return times;
    }

    private static Condition on(Collection<Long> sessions) {
        return REGISTRATION.SESSION_ID.in(sessions).and(REGISTRATION.STATE.in(ON));
    }

    /** The latest answers to each of these questions, at most {@code most} of each, in one query. */
    Map<Long, List<Said>> latest(Collection<Long> sessions, Collection<Long> questions, int most) {
        var ranked = reads.sql()
                .select(
                        ANSWER.QUESTION_ID,
                        ANSWER.REGISTRATION_ID,
                        REGISTRATION.SESSION_ID,
                        REGISTRATION.NAME,
                        ANSWER.PERSON,
                        REGISTRATION.STATE,
                        ANSWER.WORDING,
                        ANSWER.VALUE,
                        DSL.rowNumber()
                                .over()
                                .partitionBy(ANSWER.QUESTION_ID)
                                .orderBy(ANSWER.REGISTRATION_ID.desc(), ANSWER.PERSON)
                                .as("nth"))
                .from(ANSWER)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                .where(ANSWER.QUESTION_ID.in(questions))
                .and(on(sessions))
                .asTable("ranked");
        Map<Long, List<Said>> latest = new HashMap<>();
        reads.sql()
                .selectFrom(ranked)
                .where(ranked.field("nth", Integer.class).le(most))
                .forEach(r -> latest.computeIfAbsent(
                                r.get(ranked.field(ANSWER.QUESTION_ID)), q -> new java.util.ArrayList<>())
                        .add(new Said(
                                r.get(ranked.field(ANSWER.REGISTRATION_ID)),
                                r.get(ranked.field(REGISTRATION.SESSION_ID)),
                                r.get(ranked.field(REGISTRATION.NAME)),
                                r.get(ranked.field(ANSWER.PERSON)),
                                r.get(ranked.field(REGISTRATION.STATE)),
                                r.get(ranked.field(ANSWER.WORDING)),
                                r.get(ranked.field(ANSWER.VALUE)))));
        return latest;
    }

    /** Who gave this answer; for a question where several can be chosen, it is among theirs. */
    List<Said> who(Collection<Long> sessions, long question, String answer, int most) {
        return reads.sql()
                .select(
                        ANSWER.REGISTRATION_ID,
                        REGISTRATION.SESSION_ID,
                        REGISTRATION.NAME,
                        ANSWER.PERSON,
                        REGISTRATION.STATE,
                        ANSWER.WORDING,
                        ANSWER.VALUE)
                .from(ANSWER)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                .where(ANSWER.QUESTION_ID.eq(question))
                .and(on(sessions))
                .and(DSL.position(DSL.concat(DSL.inline("\n"), ANSWER.VALUE, DSL.inline("\n")), "\n" + answer + "\n")
                        .gt(0))
                .orderBy(REGISTRATION.NAME, ANSWER.REGISTRATION_ID, ANSWER.PERSON)
                .limit(most)
                .fetch(r ->
                        new Said(r.value1(), r.value2(), r.value3(), r.value4(), r.value5(), r.value6(), r.value7()));
    }

    /** Wordings under which answers were given that are not the wording of now: question, then wording, then how often. */
    Map<Long, Map<String, Integer>> olderWordings(Collection<Long> sessions, Collection<Long> questions) {
        Map<Long, Map<String, Integer>> older = new HashMap<>();
        reads.sql()
                .select(ANSWER.QUESTION_ID, ANSWER.WORDING, count())
                .from(ANSWER)
                .join(REGISTRATION)
                .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                .join(QUESTION)
                .on(QUESTION.ID.eq(ANSWER.QUESTION_ID))
                .where(ANSWER.QUESTION_ID.in(questions))
                .and(on(sessions))
                .and(ANSWER.WORDING.ne(QUESTION.LABEL))
                .groupBy(ANSWER.QUESTION_ID, ANSWER.WORDING)
                .forEach(r -> older.computeIfAbsent(r.value1(), q -> new LinkedHashMap<>())
                        .put(r.value2(), r.value3()));
        return older;
    }
}
