package jollyroster.programme;

import java.util.Collection;
import java.util.Map;

/** How full sessions are. Answered by whoever keeps the registrations. */
public interface SeatCounts {

    /** One count for each session asked for, in one query. */
    Map<Long, SeatCount> of(Collection<Long> sessions);

    /**
     * @param taken seats of registered parties
     * @param waitingParties parties on the waitlist
     * @param waitingPeople people in them
     */
    record SeatCount(int taken, int waitingParties, int waitingPeople) {
        public static final SeatCount NONE = new SeatCount(0, 0, 0);
    }
}
