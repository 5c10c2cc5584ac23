package jollyroster.answers;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.QUESTION;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static org.jooq.impl.DSL.inline;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Option;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.KeptInsert;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.AnswerRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Keeps what people answered, as part of a write that is under way. */
@Component
public class AnswerCommands {

    private final Writes writes;
    private final KeptInsert<AnswerRecord> insert;

    AnswerCommands(Writes writes) {
        this.writes = writes;
        this.insert = writes.keepInsert(ANSWER, insert -> insert);
    }

    private record Wanted(long question, Option option) {}

    /**
     * The first option among these answers that too few are left of. Whoever waits keeps what they chose, so that being
     * called up never takes it away.
     *
     * @param session whose people share the options; of a whole series the one that leads it
     * @param except the registration whose own answers do not count; 0 for none
     */
    public Optional<RanOut> ranOut(long session, List<Answer> answers, long except) {
        Map<Wanted, Integer> wanted = new LinkedHashMap<>();
        answers.forEach(answer -> answer.counted()
                .forEach(option -> wanted.merge(new Wanted(answer.question(), option), 1, Integer::sum)));
        return wanted.entrySet().stream()
                .filter(w -> chosen(session, w.getKey(), except) + w.getValue()
                        > w.getKey().option().most().orElseThrow())
                .map(w -> new RanOut(w.getKey().question(), w.getKey().option().label()))
                .findFirst();
    }

    private int chosen(long session, Wanted wanted, long except) {
        return writes.sql()
                .fetchCount(DSL.selectOne()
                        .from(ANSWER)
                        .join(REGISTRATION)
                        .on(REGISTRATION.ID.eq(ANSWER.REGISTRATION_ID))
                        .where(ANSWER.QUESTION_ID.eq(wanted.question()))
                        .and(REGISTRATION.SESSION_ID.eq(session))
                        .and(ANSWER.REGISTRATION_ID.ne(except))
                        .and(REGISTRATION.STATE.in(RegistrationState.namesOf(RegistrationState.ACTIVE)))
                        .and(DSL.position(
                                        DSL.concat(inline("\n"), ANSWER.VALUE, inline("\n")),
                                        "\n" + wanted.option().label() + "\n")
                                .gt(0)));
    }

    public void keep(long registration, List<Answer> answers) {
        insert.runAll(answers.stream().map(a -> row(registration, a)).toList());
    }

    private static AnswerRecord row(long registration, Answer answer) {
        AnswerRecord row = new AnswerRecord();
        row.setRegistrationId(registration);
        row.setQuestionId(answer.question());
        row.setPerson(answer.person());
        row.setWording(answer.wording());
        row.setValue(answer.value());
        return row;
    }

    /** Keeps these answers in the place of those given before to the same questions; others stay. */
    public void replace(long registration, List<Long> questions, List<Answer> answers) {
        writes.sql()
                .deleteFrom(ANSWER)
                .where(ANSWER.REGISTRATION_ID.eq(registration))
                .and(ANSWER.QUESTION_ID.in(questions))
                .execute();
        keep(registration, answers);
    }

    /** Keeps these answers in the place of all given before to questions that are still asked. */
    public void replaceAll(long registration, List<Answer> answers) {
        writes.sql()
                .deleteFrom(ANSWER)
                .where(ANSWER.REGISTRATION_ID.eq(registration))
                .and(ANSWER.QUESTION_ID.in(
                        DSL.select(QUESTION.ID).from(QUESTION).where(QUESTION.IS_RETIRED.isFalse())))
                .execute();
        keep(registration, answers);
    }

    /** Takes away what was answered for companions who no longer come. */
    public void dropCompanionsFrom(long registration, int person) {
        writes.sql()
                .deleteFrom(ANSWER)
                .where(ANSWER.REGISTRATION_ID.eq(registration))
                .and(ANSWER.PERSON.ge(person))
                .execute();
    }
}
