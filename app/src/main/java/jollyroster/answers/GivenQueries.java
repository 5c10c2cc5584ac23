package jollyroster.answers;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import jollyroster.programme.AskedQuestion;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record3;
import org.jooq.ResultQuery;
import org.springframework.stereotype.Component;

/** Reads answers as they were given. */
@Component
public class GivenQueries {

    private final Reads reads;

    GivenQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * How often each option that can run out is chosen by people who are on these sessions: session, question, label. Of a
     * whole series only the session that leads it is known.
     */
    public Map<Long, Map<Long, Map<String, Integer>>> chosen(
            Collection<Long> sessions, Collection<AskedQuestion> questions) {
        List<Long> counted = questions.stream()
                .filter(q -> q.question().isCounted())
                .map(AskedQuestion::id)
                .toList();
        Map<Long, Map<Long, Map<String, Integer>>> chosen = new HashMap<>();
        if (!counted.isEmpty()) {
            reads.sql()
                    .select(REGISTRATION.SESSION_ID, ANSWER.QUESTION_ID, ANSWER.VALUE)
                    .from(ANSWER)
                    .join(REGISTRATION)
                    .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                    .where(ANSWER.QUESTION_ID.in(counted))
                    .and(REGISTRATION.SESSION_ID.in(sessions))
                    .and(REGISTRATION.STATE.in(RegistrationState.namesOf(RegistrationState.ACTIVE)))
                    .forEach(r -> r.value3()
                            .lines()
                            .forEach(option -> chosen.computeIfAbsent(r.value1(), session -> new HashMap<>())
                                    .computeIfAbsent(r.value2(), question -> new HashMap<>())
                                    .merge(option, 1, Integer::sum)));
        }
        return chosen;
    }

    /** The answers of one registration, as they were asked. */
    public Map<String, String> answersOf(long registration) {
        Map<String, String> answers = new LinkedHashMap<>();
        reads.sql()
                .select(ANSWER.WORDING, ANSWER.PERSON, ANSWER.VALUE)
                .from(ANSWER)
                .where(ANSWER.REGISTRATION_ID.eq(registration))
                .orderBy(ANSWER.PERSON, ANSWER.QUESTION_ID)
                .fetch()
                .forEach(r -> answers.put(
                        r.value2() == 0 ? r.value1() : r.value1() + " (companion " + r.value2() + ")",
                        r.value3().replace("\n", ", ")));
        return answers;
    }

    /** An answer as it was given. @param person 0 for the registrant, from 1 for companions */
    public record Given(long question, int person, String value) {}

    public List<Given> givenBy(long registration) {
        return reads.sql()
                .select(ANSWER.QUESTION_ID, ANSWER.PERSON, ANSWER.VALUE)
                .from(ANSWER)
                .where(ANSWER.REGISTRATION_ID.eq(registration))
                .fetch(r -> new Given(r.value1(), r.value2(), r.value3()));
    }

    /** What these registrations answered: registration, then question; companions' answers follow after a bar. */
    public Map<Long, Map<Long, String>> answers(Collection<Long> registrations) {
        Map<Long, Map<Long, String>> answers = new HashMap<>();
        given(reads.sql(), ANSWER.REGISTRATION_ID.in(registrations))
                .forEach(r -> join(answers, r.value1(), r.value2(), r.value3()));
        return answers;
    }

    /** Registration, question and value of all answers that meet a condition, the registrant's before companions'. */
    static ResultQuery<Record3<Long, Long, String>> given(DSLContext sql, Condition which) {
        return sql.select(ANSWER.REGISTRATION_ID, ANSWER.QUESTION_ID, ANSWER.VALUE)
                .from(ANSWER)
                .where(which)
                .orderBy(ANSWER.REGISTRATION_ID, ANSWER.QUESTION_ID, ANSWER.PERSON);
    }

    /** Puts one more answer, in the order of {@link #given}, to those of its registration. */
    static void join(Map<Long, Map<Long, String>> answers, long registration, long question, String value) {
        answers.computeIfAbsent(registration, id -> new HashMap<>())
                .merge(question, value.replace("\n", ", "), (own, next) -> own + " | " + next);
    }
}
