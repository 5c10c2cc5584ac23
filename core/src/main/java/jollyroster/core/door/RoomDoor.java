package jollyroster.core.door;

import java.util.function.BooleanSupplier;

/** How a standing room lets people in. */
public enum RoomDoor {
    /** At any time. */
    UNLOCKED,
    /** Whenever a host is inside. */
    WITH_HOST,
    /** A host lets each person in. */
    ASKED;

    /**
     * What somebody meets who has said who they are.
     *
     * @param knock how they stand in this meeting; a host's decision about them holds whatever the door
     * @param hostInside asked only where it matters
     * @param hasRoom whether one more fits in; asked only where it matters
     */
    public GuestMeets meets(Knock knock, BooleanSupplier hostInside, BooleanSupplier hasRoom) {
        return switch (knock) {
            case TURNED_AWAY -> GuestMeets.TURNED_AWAY;
            case BARRED -> GuestMeets.BARRED;
            case ASKED_TO_WAIT -> GuestMeets.ASKED_TO_WAIT;
            case INSIDE -> in(hasRoom);
            case WAITING -> isOpen(hostInside) ? in(hasRoom) : GuestMeets.WAITING;
        };
    }

    private boolean isOpen(BooleanSupplier hostInside) {
        return this == UNLOCKED || this == WITH_HOST && hostInside.getAsBoolean();
    }

    private static GuestMeets in(BooleanSupplier hasRoom) {
        return hasRoom.getAsBoolean() ? GuestMeets.INSIDE : GuestMeets.FULL;
    }
}
