package jollyroster.logbook;

import static jollyroster.platform.tables.Tables.LOGBOOK;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Facts;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Reads the logbook. */
@Component
public class LogbookQueries {

    private static final int MOST_OF_ONE = 500;
    private final Reads reads;

    LogbookQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * One entry of the logbook.
     *
     * @param registration that it concerns; 0 when it concerns the session
     * @param name of the person concerned; empty when it concerns the session
     * @param prose what an entry of an earlier version says; empty when it is made of facts
     */
    public record Logged(
            Instant at, String actor, long registration, String name, LogbookEntry entry, Facts facts, String prose) {

        /** Why, or what in particular, in words. */
        public String detail() {
            return prose.isEmpty() ? LogbookWords.of(entry, facts) : prose;
        }
    }

    /** The logbook of a session, latest first. */
    public List<Logged> ofSession(long session, int most) {
        return logged(LOGBOOK.SESSION_ID.eq(session), most);
    }

    /** What was decided about a registration and why, latest first. */
    public List<Logged> ofRegistration(long registration) {
        return logged(LOGBOOK.REGISTRATION_ID.eq(registration), MOST_OF_ONE);
    }

    private List<Logged> logged(Condition which, int most) {
        return reads.sql()
                .select(LOGBOOK.asterisk(), REGISTRATION.NAME)
                .from(LOGBOOK)
                .leftJoin(REGISTRATION)
                .on(REGISTRATION.ID.eq(LOGBOOK.REGISTRATION_ID))
                .where(which)
                .orderBy(LOGBOOK.ID.desc())
                .limit(most)
                .fetch(r -> new Logged(
                        r.get(LOGBOOK.WRITTEN_AT),
                        r.get(LOGBOOK.ACTOR),
                        Optional.ofNullable(r.get(LOGBOOK.REGISTRATION_ID)).orElse(0L),
                        Optional.ofNullable(r.get(REGISTRATION.NAME)).orElse(""),
                        LogbookEntry.valueOf(r.get(LOGBOOK.ENTRY)),
                        Facts.read(r.get(LOGBOOK.FACTS)),
                        r.get(LOGBOOK.DETAIL)));
    }
}
