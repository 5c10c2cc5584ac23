package jollyroster.core.door;

import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** What a person with a valid personal link meets at the door. */
public enum Admission {
    COUNTDOWN,
    COME_IN,
    /** Has to knock, as everybody here. */
    KNOCKS,
    /** Somebody is inside with this link: has to knock. */
    SECOND,
    WAITING,
    ASKED_TO_WAIT,
    TURNED_AWAY,
    FULL,
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

    /**
     * Decides about somebody who may come in, at an open door that is kept.
     *
     * @param knocked how this browser stands; empty where it has not knocked
     */
    public static Admission atOpenDoor(
            Passage.Link link, boolean everyoneKnocks, BooleanSupplier hasRoom, Optional<GuestMeets.Guest> knocked) {
        if (!link.known() && !link.barred() && knocked.isPresent()) {
            return after(GuestMeets.decide(DoorHours.Phase.OPEN, false, hasRoom, knocked));
        }
        return switch (Passage.decide(link, everyoneKnocks, hasRoom)) {
            case IN -> COME_IN;
            case KNOCKS -> KNOCKS;
            case SECOND -> SECOND;
            case FULL -> FULL;
            case BARRED -> TURNED_AWAY;
        };
    }

    private static Admission after(GuestMeets knocked) {
        return switch (knocked) {
            case INSIDE -> COME_IN;
            case FULL -> FULL;
            case ASKED_TO_WAIT -> ASKED_TO_WAIT;
            case TURNED_AWAY, BARRED -> TURNED_AWAY;
            default -> WAITING;
        };
    }

    /** As the page says it to programs. */
    public String code() {
        return switch (this) {
            case COME_IN -> GuestMeets.INSIDE.code();
            case KNOCKS, SECOND -> GuestMeets.SAYS_WHO.code();
            default -> name().toLowerCase(Locale.ROOT).replace('_', '-');
        };
    }
}
