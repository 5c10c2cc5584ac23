package jollyroster.core.door;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * What holds in a standing room: set for the room it holds for each meeting, set during a meeting for that meeting only.
 *
 * @param agenda Markdown; empty for none
 * @param asksEmail whether people give an address before they come in
 */
public record RoomTerms(RoomDoor door, String agenda, boolean asksEmail) {

    /** How long nobody is inside before a meeting is over; what the trade commonly does. */
    public static final Duration EMPTY_FOR = Duration.ofMinutes(15);

    /** What differs in one meeting; what is empty is as the room has it. */
    public record ThisTime(Optional<RoomDoor> door, Optional<String> agenda, Optional<Boolean> asksEmail) {

        public static final ThisTime NOTHING = new ThisTime(Optional.empty(), Optional.empty(), Optional.empty());
    }

    public RoomTerms during(ThisTime once) {
        return new RoomTerms(
                once.door().orElse(door),
                once.agenda().orElse(agenda),
                once.asksEmail().orElse(asksEmail));
    }

    /** What has to differ in one meeting so that {@code wanted} holds in it. */
    public ThisTime differences(RoomTerms wanted) {
        return new ThisTime(
                Optional.of(wanted.door()).filter(d -> d != door),
                Optional.of(wanted.agenda()).filter(a -> !a.equals(agenda)),
                Optional.of(wanted.asksEmail()).filter(e -> e != asksEmail));
    }

    /** When a meeting is over that everybody left at {@code emptied}, unless somebody comes back before. */
    public static Instant over(Instant emptied) {
        return emptied.plus(EMPTY_FOR);
    }
}
