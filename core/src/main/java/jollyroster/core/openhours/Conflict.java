package jollyroster.core.openhours;

import java.time.Duration;
import jollyroster.core.dates.Interval;

/**
 * Two claims on one host or venue whose padded spans overlap. At least one side is a session.
 *
 * @param first the one whose padded span begins earlier
 * @param overlap the time both claim, buffers included; never empty
 */
public record Conflict(Claim first, Claim second, Interval overlap) {

    public Claim.Owner owner() {
        return first.owner();
    }

    public long minutes() {
        return overlap.length().toMinutes();
    }

    public boolean concerns(long session) {
        return isSession(first, session) || isSession(second, session);
    }

    private static boolean isSession(Claim claim, long session) {
        return claim.kind() == Claim.Kind.SESSION && claim.id() == session;
    }

    /** The side that is easier to move: the later session, or the only one. */
    public Claim movable() {
        return second.kind() == Claim.Kind.SESSION ? second : first;
    }

    /**
     * By how much the movable side must move to be free of the other: later if it is the later one, else earlier
     * (negative). Other claims may be in the way there.
     */
    public Duration wayOut() {
        return movable() == second
                ? Duration.between(second.padded().start(), first.padded().end())
                : Duration.between(first.padded().end(), second.padded().start());
    }
}
