package jollyroster.core.door;

/** What a person with a valid personal link meets at the door. */
public enum Admission {
    COUNTDOWN,
    COME_IN,
    /** Seats are held, or somebody may come: first the person must confirm, pay or say yes. */
    NOT_YET_YOURS,
    PLACE_IN_LINE,
    GIVEN_BACK,
    SESSION_CANCELLED,
    OVER;

    /** Where the registration stands, as far as the door cares. */
    public enum Standing {
        REGISTERED,
        HELD,
        WAITLISTED,
        CANCELLED
    }

    /**
     * Decides. A cancelled session is told before anything else; a waiting person is told their place until the session
     * is over; a person without seats of their own learns nothing of the meeting.
     */
    public static Admission decide(Standing standing, DoorHours.Phase phase, boolean sessionCancelled) {
        if (standing == Standing.CANCELLED) {
            return GIVEN_BACK;
        }
        if (sessionCancelled) {
            return SESSION_CANCELLED;
        }
        if (phase == DoorHours.Phase.AFTER) {
            return OVER;
        }
        if (standing == Standing.WAITLISTED) {
            return PLACE_IN_LINE;
        }
        if (standing == Standing.HELD) {
            return NOT_YET_YOURS;
        }
        return phase == DoorHours.Phase.BEFORE ? COUNTDOWN : COME_IN;
    }
}
