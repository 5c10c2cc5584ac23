package jollyroster.standin;

import static jollyroster.platform.tables.Tables.PHONE_MOOD;
import static jollyroster.platform.tables.Tables.PHONE_TEXT;
import static org.jooq.impl.DSL.inline;

import java.time.Instant;
import java.util.Collections;
import java.util.List;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads the phones of the text gateway that ships with the program. */
@Component
class PhoneQueries {

    private static final int MOST = 50;
    private final Reads reads;

    PhoneQueries(Reads reads) {
        this.reads = reads;
    }

    /** A text on a phone. @param out whether its owner wrote it */
    record Line(String body, boolean out, String outcome, Instant at) {}

    /** The latest texts of a phone, in order. */
    List<Line> lines(String number) {
        List<Line> latest = reads.sql()
                .selectFrom(PHONE_TEXT)
                .where(PHONE_TEXT.NUMBER.eq(number))
                .orderBy(PHONE_TEXT.ID.desc())
                .limit(MOST)
                .fetch(r -> new Line(r.getBody(), r.getIsFromPhone(), r.getOutcome(), r.getArrivedAt()));
        Collections.reverse(latest);
        return latest;
    }

    /** Something to report: what became of a text, or what somebody wrote. */
    record News(
            long id, String key, String number, String body, boolean out, boolean delivered, String why, Instant at) {}

    /** What the program has not been told of, the oldest first. */
    List<News> unreported(int most) {
        return reads.sql()
                .selectFrom(PHONE_TEXT)
                .where(PHONE_TEXT.IS_REPORTED.eq(inline(false)))
                .and(PHONE_TEXT.OUTCOME.ne("UNDERWAY"))
                .orderBy(PHONE_TEXT.ID)
                .limit(most)
                .fetch(r -> new News(
                        r.getId(),
                        r.getTextKey(),
                        r.getNumber(),
                        r.getBody(),
                        r.getIsFromPhone(),
                        r.getOutcome().equals("DELIVERED"),
                        r.getWhy(),
                        r.getArrivedAt()));
    }

    PhoneCommands.Mood mood(String number) {
        return reads.sql()
                .select(PHONE_MOOD.MOOD)
                .from(PHONE_MOOD)
                .where(PHONE_MOOD.NUMBER.eq(number))
                .fetchOptional(r -> PhoneCommands.Mood.valueOf(r.value1()))
                .orElse(PhoneCommands.Mood.PROMPT);
    }
}
