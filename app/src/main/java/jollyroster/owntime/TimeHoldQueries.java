package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.TIME_HOLD;
import static jollyroster.platform.tables.Tables.TIME_HOLD_HOST;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Reads which time is held for somebody. */
@Component
public class TimeHoldQueries {

    private final Reads reads;

    TimeHoldQueries(Reads reads) {
        this.reads = reads;
    }

    /** A time that is held for whoever asks. @param hosts who are kept free to lead it @param until when it is given up */
    public record Own(long id, Instant start, List<Long> hosts, Instant until) {}

    /** What is held for a browser of an offering now. */
    public Optional<Own> own(long offering, Viewer viewer) {
        return ownIn(reads.sql(), offering, viewer);
    }

    /** How many times are held by anybody. */
    int live(Instant now) {
        return reads.sql().fetchCount(TIME_HOLD, TIME_HOLD.HELD_UNTIL.gt(now));
    }

    Optional<Own> ownIn(DSLContext sql, long offering, Viewer viewer) {
        return viewer.browser().isEmpty()
                ? Optional.empty()
                : sql.selectFrom(TIME_HOLD)
                        .where(TIME_HOLD.OFFERING_ID.eq(offering))
                        .and(TIME_HOLD.BROWSER.eq(viewer.browser()))
                        .and(TIME_HOLD.HELD_UNTIL.gt(viewer.now()))
                        .fetchOptional(
                                r -> new Own(r.getId(), r.getStartsAt(), hosts(sql, r.getId()), r.getHeldUntil()));
    }

    private static List<Long> hosts(DSLContext sql, long hold) {
        return sql.select(TIME_HOLD_HOST.ACCOUNT_ID)
                .from(TIME_HOLD_HOST)
                .where(TIME_HOLD_HOST.HOLD_ID.eq(hold))
                .fetch(TIME_HOLD_HOST.ACCOUNT_ID);
    }
}
