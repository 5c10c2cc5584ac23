package jollyroster.core.door;

import java.util.Locale;
import java.util.Optional;

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

    /** @param knock how they stand where they have knocked at this door */
    public static GuestMeets decide(DoorHours.Phase phase, boolean sessionCancelled, Optional<Knock> knock) {
        if (sessionCancelled) {
            return CANCELLED;
        }
        return switch (phase) {
            case BEFORE -> COUNTDOWN;
            case AFTER -> OVER;
            case OPEN -> knock.map(GuestMeets::of).orElse(SAYS_WHO);
        };
    }

    private static GuestMeets of(Knock knock) {
        return switch (knock) {
            case WAITING -> WAITING;
            case ASKED_TO_WAIT -> ASKED_TO_WAIT;
            case INSIDE -> INSIDE;
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
