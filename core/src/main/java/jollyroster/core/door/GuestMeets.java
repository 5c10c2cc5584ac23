package jollyroster.core.door;

import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** What somebody with a guest link meets at the door. */
public enum GuestMeets {
    COUNTDOWN,
    /** The door is open: first they say who they are. */
    SAYS_WHO,
    WAITING,
    ASKED_TO_WAIT,
    INSIDE,
    /** Was inside, and the room has filled up since. */
    FULL,
    TURNED_AWAY,
    /** May not knock again. */
    BARRED,
    CANCELLED,
    OVER;

    /**
     * Somebody who has knocked at this door.
     *
     * @param left whether they were inside and went
     */
    public record Guest(Knock knock, boolean left) {}

    /**
     * Decides. Whoever was inside and went comes in again as long as there is room.
     *
     * @param hasRoom whether one more fits in; asked only where it matters
     * @param guest empty for somebody who has not knocked at this door yet
     */
    public static GuestMeets decide(
            DoorHours.Phase phase, boolean sessionCancelled, BooleanSupplier hasRoom, Optional<Guest> guest) {
        if (sessionCancelled) {
            return CANCELLED;
        }
        return switch (phase) {
            case BEFORE -> COUNTDOWN;
            case AFTER -> OVER;
            case OPEN -> guest.map(g -> of(g, hasRoom)).orElse(SAYS_WHO);
        };
    }

    private static GuestMeets of(Guest guest, BooleanSupplier hasRoom) {
        return switch (guest.knock()) {
            case WAITING -> WAITING;
            case ASKED_TO_WAIT -> ASKED_TO_WAIT;
            case INSIDE -> guest.left() && !hasRoom.getAsBoolean() ? FULL : INSIDE;
            case TURNED_AWAY -> TURNED_AWAY;
            case BARRED -> BARRED;
        };
    }

    /** As the page says it to programs. */
    public String code() {
        return this == BARRED
                ? TURNED_AWAY.code()
                : name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
