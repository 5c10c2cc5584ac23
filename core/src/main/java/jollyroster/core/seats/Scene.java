package jollyroster.core.seats;

import java.util.Optional;
import java.util.Set;

/**
 * The session at the moment something happens.
 *
 * @param capacity empty when no seats were given to the session yet
 * @param tally how full it is, with the registration itself in it
 * @param way how a seat that comes free now is given
 * @param terms on which whoever acts gets seats
 * @param passed the deadlines that bind whoever acts and are over
 */
public record Scene(
        Optional<Capacity> capacity, SeatTally tally, CallUp.Way way, Terms terms, Set<SeatEvent.Deadline> passed) {

    public Scene {
        passed = Set.copyOf(passed);
    }

    /** Whether nobody in the line comes before a newcomer any more. */
    boolean isLineClosed() {
        return way == CallUp.Way.NOBODY;
    }

    /** The tally a registration sees that asks anew: without itself, and with nobody owed once the line is closed. */
    SeatTally without(Standing standing) {
        int waiting = tally.waiting() - (standing.waits() ? 1 : 0);
        int owed = isLineClosed() ? 0 : Math.min(tally.owed(), waiting);
        return new SeatTally(Math.max(0, tally.taken() - standing.seats()), waiting, owed);
    }
}
