package jollyroster.core.door;

import java.time.Duration;
import java.time.Instant;
import jollyroster.core.door.DoorHours.Phase;

/** What may be done to a door by hand. */
public enum DoorMove {
    OPEN,
    END,
    LONGER,
    REOPEN;

    /** By how much it stays open longer, or is opened again; our own choice, as long as the usual overrun. */
    public static final Duration LONGER_BY = Duration.ofMinutes(15);

    /** A door that stands open for days is somebody's mistake. */
    private static final Duration FARTHEST = Duration.ofHours(12);

    /**
     * Whether it may be done now: a session can be ended once it has begun, and opened again until it is long over.
     *
     * @param door as it is, moved by hand or not
     * @param closedByHand whether somebody has said when it closes
     */
    public boolean may(DoorHours door, boolean closedByHand, Instant now) {
        Phase phase = door.at(now);
        boolean begun = !now.isBefore(door.start());
        return switch (this) {
            case OPEN -> phase == Phase.BEFORE && !now.isBefore(door.start().minus(FARTHEST));
            case END -> phase == Phase.OPEN && begun;
            case LONGER ->
                phase == Phase.OPEN
                        && begun
                        && door.closes().isBefore(door.end().plus(FARTHEST));
            case REOPEN ->
                phase == Phase.AFTER && closedByHand && now.isBefore(door.end().plus(FARTHEST));
        };
    }
}
