package jollyroster.programme;

import java.time.ZoneId;
import java.util.Collection;
import java.util.Map;

/** How full sessions are, and with people from where. Answered by whoever keeps the registrations. */
public interface SeatCounts {

    /** One count for each session asked for, in one query. The dates of a whole series share one count. */
    Map<Long, SeatCount> of(Collection<Long> sessions);

    /** Whether anybody is or was on one of these sessions. */
    boolean isAnybodyOn(Collection<Long> sessions);

    /**
     * Where the people seated on each of these sessions live, with their number; sessions nobody is on are left out. For
     * a whole series only the session that leads it is known.
     */
    Map<Long, Map<ZoneId, Integer>> zonesOf(Collection<Long> sessions);

    /**
     * @param taken seats of registered parties
     * @param waitingParties parties on the waitlist
     * @param waitingPeople people in them
     */
    record SeatCount(int taken, int waitingParties, int waitingPeople) {
        public static final SeatCount NONE = new SeatCount(0, 0, 0);
    }
}
