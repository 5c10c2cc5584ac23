package jollyroster.rooms;

import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.door.RoomDoor;
import jollyroster.rooms.StandingRoom.Part;

/** What is said of a room. */
final class RoomWords {

    private RoomWords() {}

    static String door(RoomDoor door) {
        return switch (door) {
            case UNLOCKED -> "unlocked: open at any time";
            case WITH_HOST -> "locked: open while a host is inside";
            case ASKED -> "locked: a host lets each person in";
        };
    }

    /** A door to choose in a form. */
    record Choice(String name, String words) {}

    static List<Choice> choices() {
        return Stream.of(RoomDoor.values())
                .map(door -> new Choice(door.name(), choice(door)))
                .toList();
    }

    private static String choice(RoomDoor door) {
        return switch (door) {
            case UNLOCKED -> "unlocked: people go in at any time";
            case WITH_HOST -> "locked: people go in while a host is inside";
            case ASKED -> "locked: a host lets each person in";
        };
    }

    /** Whether one may go in now, for people who come. */
    static String now(StandingRoom room, RoomDoor door, List<RoomVisit> inside) {
        boolean hostInside = inside.stream().anyMatch(v -> v.account() != 0);
        String open = switch (door) {
            case UNLOCKED -> "This room is always open.";
            case WITH_HOST -> hostInside ? "The room is open." : "The room opens when a host comes in.";
            case ASKED -> hostInside ? "A host is inside and lets people in." : "A host lets people in.";
        };
        return room.shows(Part.INSIDE) ? open + " " + inside(inside.size()) : open;
    }

    static String inside(int number) {
        return switch (number) {
            case 0 -> "Nobody is inside.";
            case 1 -> "One person is inside.";
            default -> number + " people are inside.";
        };
    }
}
