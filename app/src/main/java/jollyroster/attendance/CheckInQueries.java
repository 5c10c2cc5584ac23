package jollyroster.attendance;

import static jollyroster.platform.tables.Tables.CHECK_IN;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import jollyroster.core.attendance.Ticks;
import jollyroster.core.attendance.Ticks.Tick;
import jollyroster.platform.Reads;
import jollyroster.platform.tables.tables.records.CheckInRecord;
import org.springframework.stereotype.Component;

/** Reads who has been ticked off. */
@Component
public class CheckInQueries {

    private final Reads reads;

    CheckInQueries(Reads reads) {
        this.reads = reads;
    }

    /** By registration: since when each place of the party is in. Parties of whom nobody is in are left out. */
    public Map<Long, Map<Integer, Instant>> in(long session) {
        Map<Long, List<Tick>> ticks = reads.sql()
                .selectFrom(CHECK_IN)
                .where(CHECK_IN.SESSION_ID.eq(session))
                .fetchGroups(CHECK_IN.REGISTRATION_ID, CheckInQueries::tick);
        Map<Long, Map<Integer, Instant>> in = new HashMap<>();
        ticks.forEach((registration, made) -> {
            Map<Integer, Instant> places = Ticks.in(made);
            if (!places.isEmpty()) {
                in.put(registration, places);
            }
        });
        return in;
    }

    /** Those of these sessions at which anybody was ticked off. */
    Set<Long> sessions(Collection<Long> sessions) {
        return new TreeSet<>(reads.sql()
                .selectDistinct(CHECK_IN.SESSION_ID)
                .from(CHECK_IN)
                .where(CHECK_IN.SESSION_ID.in(sessions))
                .fetch(CHECK_IN.SESSION_ID));
    }

    /** Whether anybody of a party is in. */
    boolean isIn(long session, long registration) {
        return !Ticks.in(reads.sql()
                        .selectFrom(CHECK_IN)
                        .where(CHECK_IN.SESSION_ID.eq(session))
                        .and(CHECK_IN.REGISTRATION_ID.eq(registration))
                        .fetch(CheckInQueries::tick))
                .isEmpty();
    }

    private static Tick tick(CheckInRecord row) {
        return new Tick(row.getTickKey(), row.getPlace(), row.getIsIn(), row.getMadeAt());
    }
}
