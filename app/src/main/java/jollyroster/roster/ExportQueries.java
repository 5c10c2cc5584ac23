package jollyroster.roster;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import jollyroster.platform.Reads;
import org.jooq.Record;
import org.jooq.Result;
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
     * @param answers by question; those of companions follow the registrant's after a bar, several choices after a comma
     */
    public record Row(
            long registration,
            Instant starts,
            RegistrationState state,
            String name,
            String email,
            String phone,
            int party,
            String companions,
            String zone,
            Instant registered,
            String note,
            Map<Long, String> answers) {}

    /** Hands every registration on these sessions to {@code to}, in order of session and registering. */
    public void stream(Collection<Long> sessions, List<Long> questions, Consumer<Row> to) {
        for (long session : sessions) {
            List<Long> all = reads.sql()
                    .select(REGISTRATION.ID)
                    .from(REGISTRATION)
                    .where(REGISTRATION.SESSION_ID.eq(session))
                    .orderBy(REGISTRATION.ID)
                    .fetch(REGISTRATION.ID);
            for (int from = 0; from < all.size(); from += PIECE) {
                long first = all.get(from);
                long last = all.get(Math.min(from + PIECE, all.size()) - 1);
                Map<Long, Map<Long, String>> answers = answers(first, last, questions);
                piece(session, first, last)
                        .forEach(r -> to.accept(row(r, answers.getOrDefault(r.get(REGISTRATION.ID), Map.of()))));
            }
        }
    }

    /** Found by their numbers: the plus keeps the store from reading the whole session for each piece. */
    private Result<? extends Record> piece(long session, long first, long last) {
        return reads.sql()
                .select(
                        REGISTRATION.ID,
                        SESSION.STARTS_AT,
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
                .join(SESSION)
                .on(SESSION.ID.eq(REGISTRATION.SESSION_ID))
                .where(REGISTRATION.ID.between(first, last))
                .and(DSL.field("+{0}", Long.class, REGISTRATION.SESSION_ID).eq(session))
                .orderBy(REGISTRATION.ID)
                .fetch();
    }

    private Map<Long, Map<Long, String>> answers(long first, long last, List<Long> questions) {
        return RosterPageQueries.answers(
                reads.sql(),
                ANSWER.REGISTRATION_ID
                        .between(first, last)
                        .and(DSL.field("+{0}", Long.class, ANSWER.QUESTION_ID).in(questions)));
    }

    private static Row row(Record r, Map<Long, String> answers) {
        return new Row(
                r.get(REGISTRATION.ID),
                r.get(SESSION.STARTS_AT),
                RegistrationState.valueOf(r.get(REGISTRATION.STATE)),
                r.get(REGISTRATION.NAME),
                r.get(PERSON.EMAIL),
                r.get(PERSON.PHONE),
                r.get(REGISTRATION.PARTY),
                r.get(REGISTRATION.COMPANIONS),
                r.get(REGISTRATION.ZONE),
                r.get(REGISTRATION.CREATED_AT),
                r.get(REGISTRATION.NOTE),
                answers);
    }
}
