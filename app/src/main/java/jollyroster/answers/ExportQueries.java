package jollyroster.answers;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.ResultQuery;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads whole rosters a piece at a time, so that ten thousand people never stand in memory at once. */
@Component
public class ExportQueries {

    private static final int PIECE = 1000;
    private final Reads reads;

    ExportQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * A registration as a row.
     *
     * @param companions names, a line each
     * @param registered when, in UTC (ISO 8601, with milliseconds)
     * @param answers by question; those of companions follow the registrant's after a bar, several choices after a comma
     * @param companionAnswers by companion, from 1, then by question; only where each person has a row
     */
    public record Row(
            long registration,
            RegistrationState state,
            String name,
            String email,
            String phone,
            int party,
            String companions,
            String zone,
            String registered,
            String note,
            Map<Long, String> answers,
            Map<Integer, Map<Long, String>> companionAnswers) {}

    /** The size of the largest party that ever was on a session; 1 when nobody was. */
    public int largestParty(long session) {
        return reads.sql()
                .select(DSL.coalesce(DSL.max(REGISTRATION.PARTY), DSL.inline(1)))
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .fetchSingle()
                .value1();
    }

    /** Whose answers go into a row. */
    public enum Answers {
        /** The registrant's and all companions'. */
        JOINED,
        /** Each person's by themselves. */
        APART
    }

    /** Hands every registration on a session to {@code to}, in order of registering. */
    public void stream(long session, List<Long> questions, Answers how, Consumer<Row> to) {
        List<Long> all = new ArrayList<>();
        reads.each(numbers(session), row -> all.add(row.getLong(1)));
        for (int from = 0; from < all.size(); from += PIECE) {
            long first = all.get(from);
            long last = all.get(Math.min(from + PIECE, all.size()) - 1);
            Map<Long, Map<Long, String>> answers = answers(between(first, last, questions), how == Answers.APART);
            Map<Long, Map<Integer, Map<Long, String>>> apart =
                    how == Answers.APART ? ofCompanions(between(first, last, questions)) : Map.of();
            reads.each(piece(session, first, last), row -> to.accept(row(row, answers, apart)));
        }
    }

    private ResultQuery<?> numbers(long session) {
        return reads.sql()
                .select(REGISTRATION.ID)
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .orderBy(REGISTRATION.ID);
    }

    /** Found by their numbers: the plus keeps the store from reading the whole session for each piece. */
    private ResultQuery<?> piece(long session, long first, long last) {
        return reads.sql()
                .select(
                        REGISTRATION.ID,
                        REGISTRATION.STATE,
                        REGISTRATION.NAME,
                        PERSON.EMAIL,
                        PERSON.PHONE,
                        REGISTRATION.PARTY,
                        REGISTRATION.COMPANIONS,
                        REGISTRATION.ZONE,
                        REGISTRATION.CREATED_AT,
                        REGISTRATION.NOTE)
                .from(REGISTRATION)
                .join(PERSON)
                .on(PERSON.ID.eq(REGISTRATION.PERSON_ID))
                .where(REGISTRATION.ID.between(first, last))
                .and(DSL.field("+{0}", Long.class, REGISTRATION.SESSION_ID).eq(session))
                .orderBy(REGISTRATION.ID);
    }

    private static Condition between(long first, long last, List<Long> questions) {
        return ANSWER.REGISTRATION_ID
                .between(first, last)
                .and(DSL.field("+{0}", Long.class, ANSWER.QUESTION_ID).in(questions));
    }

    private Map<Long, Map<Long, String>> answers(Condition which, boolean ownOnly) {
        Map<Long, Map<Long, String>> answers = new HashMap<>();
        Condition whose = ownOnly ? which.and(ANSWER.PERSON.eq(0)) : which;
        reads.each(
                GivenQueries.given(reads.sql(), whose),
                row -> GivenQueries.join(answers, row.getLong(1), row.getLong(2), row.getString(3)));
        return answers;
    }

    private Map<Long, Map<Integer, Map<Long, String>>> ofCompanions(Condition which) {
        Map<Long, Map<Integer, Map<Long, String>>> answers = new HashMap<>();
        ResultQuery<?> given = reads.sql()
                .select(ANSWER.REGISTRATION_ID, ANSWER.PERSON, ANSWER.QUESTION_ID, ANSWER.VALUE)
                .from(ANSWER)
                .where(which)
                .and(ANSWER.PERSON.gt(0));
        reads.each(
                given,
                row -> answers.computeIfAbsent(row.getLong(1), id -> new HashMap<>())
                        .computeIfAbsent(row.getInt(2), person -> new HashMap<>())
                        .put(row.getLong(3), row.getString(4).replace("\n", ", ")));
        return answers;
    }

    private static Row row(
            ResultSet row,
            Map<Long, Map<Long, String>> answers,
            Map<Long, Map<Integer, Map<Long, String>>> ofCompanions)
            throws SQLException {
        return new Row(
                row.getLong(1),
                RegistrationState.valueOf(row.getString(2)),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getInt(6),
                row.getString(7),
                row.getString(8),
                row.getString(9),
                row.getString(10),
                answers.getOrDefault(row.getLong(1), Map.of()),
                ofCompanions.getOrDefault(row.getLong(1), Map.of()));
    }
}
