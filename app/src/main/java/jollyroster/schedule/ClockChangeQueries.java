package jollyroster.schedule;

import static jollyroster.platform.tables.Tables.CLOCK_CHANGE;

import java.time.Instant;
import java.util.List;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads which sessions start at another instant since the clocks of their zone change otherwise. */
@Component
public class ClockChangeQueries {

    private static final int MOST = 200;
    private final Reads reads;

    ClockChangeQueries(Reads reads) {
        this.reads = reads;
    }

    /** @param people registrations on it when it was noted */
    public record Changed(long session, Instant was, Instant is, int people) {}

    /** Noted since a time, the session that starts first first. */
    public List<Changed> since(Instant when) {
        return reads.sql()
                .selectFrom(CLOCK_CHANGE)
                .where(CLOCK_CHANGE.NOTED_AT.ge(when))
                .orderBy(CLOCK_CHANGE.IS_AT)
                .limit(MOST)
                .fetch(r -> new Changed(r.getSessionId(), r.getWasAt(), r.getIsAt(), r.getPeople()));
    }
}
