package jollyroster.rooms;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.door.Invited;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.platform.tables.tables.records.StandingRoomRecord;

/**
 * A room with an address that never changes.
 *
 * @param slug in its address
 * @param materials Markdown; empty for none
 * @param terms as they hold for each meeting
 * @param invited who may come in
 * @param capacity most who are inside at a time
 * @param everybodys whether all hosts may use it
 * @param maker whose it is, by account
 */
public record StandingRoom(
        long id,
        String slug,
        Words words,
        RoomTerms terms,
        Invited invited,
        int capacity,
        Set<Part> shown,
        Afterwards afterwards,
        boolean everybodys,
        long maker,
        boolean retired) {

    /** What is said of a room. @param description Markdown @param materials Markdown; both empty for none */
    public record Words(String name, String description, String materials) {}

    /** What people see before they go in. */
    public enum Part {
        HOSTS("who hosts"),
        DESCRIPTION("the description"),
        AGENDA("the agenda"),
        INSIDE("how many are inside"),
        MATERIALS("the materials");

        private final String words;

        Part(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What those who were in a meeting may read of it later. */
    public enum Afterwards {
        NOTHING("nothing"),
        NOTES("the notes"),
        NOTES_AND_MATERIALS("the notes and the materials");

        private final String words;

        Afterwards(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public StandingRoom {
        shown = Set.copyOf(shown);
    }

    String name() {
        return words.name();
    }

    boolean shows(Part part) {
        return shown.contains(part);
    }

    static StandingRoom of(StandingRoomRecord row) {
        return new StandingRoom(
                row.getId(),
                row.getSlug(),
                new Words(row.getName(), row.getDescription(), row.getMaterials()),
                new RoomTerms(RoomDoor.valueOf(row.getDoor()), row.getAgenda(), row.getIsEmailAsked()),
                new Invited(
                        row.getWhoMayCome().isEmpty()
                                ? List.of()
                                : List.of(row.getWhoMayCome().split(" "))),
                row.getCapacity(),
                parts(row.getShown()),
                Afterwards.valueOf(row.getAfterwards()),
                row.getIsEverybodys(),
                row.getAccountId(),
                row.getIsRetired());
    }

    private static Set<Part> parts(String kept) {
        return Arrays.stream(Part.values())
                .filter(part -> List.of(kept.split(" ")).contains(part.name()))
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Part.class)));
    }
}
