package jollyroster.rooms;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.door.Invited;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.core.intake.Text;
import jollyroster.rooms.RoomCommands.Settings;
import jollyroster.rooms.StandingRoom.Afterwards;
import jollyroster.rooms.StandingRoom.Part;
import jollyroster.rooms.StandingRoom.Words;
import org.jspecify.annotations.Nullable;

/** A room's settings as a form sends them; what is not checked is not there. */
record RoomForm(
        @Nullable String name,
        @Nullable String description,
        @Nullable String agenda,
        @Nullable String materials,
        @Nullable String door,
        @Nullable Boolean email,
        @Nullable String who,
        @Nullable String capacity,
        @Nullable List<String> shows,
        @Nullable String afterwards,
        @Nullable Boolean everybodys,
        @Nullable List<Long> hosts) {

    static final int LONGEST = 4000;
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_LIST = 10_000;
    private static final int FEWEST = 2;
    private static final int MOST = 1000;

    /** As a new room is before anybody has changed it. */
    static RoomForm named(String name, String door) {
        return new RoomForm(
                name,
                "",
                "",
                "",
                door,
                false,
                "",
                "20",
                Stream.of(Part.HOSTS, Part.DESCRIPTION, Part.AGENDA)
                        .map(Part::name)
                        .toList(),
                Afterwards.NOTHING.name(),
                false,
                List.of());
    }

    static RoomForm of(StandingRoom room, List<Long> hosts) {
        return new RoomForm(
                room.name(),
                room.words().description(),
                room.terms().agenda(),
                room.words().materials(),
                room.terms().door().name(),
                room.terms().asksEmail(),
                String.join("\n", room.invited().entries()),
                String.valueOf(room.capacity()),
                room.shown().stream().map(Part::name).toList(),
                room.afterwards().name(),
                room.everybodys(),
                hosts);
    }

    static Optional<RoomDoor> door(@Nullable String sent) {
        return Arrays.stream(RoomDoor.values())
                .filter(d -> d.name().equals(sent))
                .findFirst();
    }

    private Optional<Afterwards> after() {
        return Arrays.stream(Afterwards.values())
                .filter(a -> a.name().equals(afterwards))
                .findFirst();
    }

    private String line() {
        return Text.oneLine(orEmpty(name), LONGEST_NAME);
    }

    private Invited.Typed invited() {
        return Invited.read(Text.manyLines(orEmpty(who), LONGEST_LIST));
    }

    /** What is wrong, by field. */
    Map<String, String> problems() {
        Map<String, String> problems = new LinkedHashMap<>();
        if (line().isEmpty()) {
            problems.put("name", "Please give the room a name.");
        }
        if (door(door).isEmpty() || after().isEmpty()) {
            problems.put("door", "Please choose one of these.");
        }
        if (!Text.isNumber(orEmpty(capacity).strip(), FEWEST, MOST)) {
            problems.put("capacity", "A whole number from " + FEWEST + " to " + MOST + ".");
        }
        List<String> odd = invited().odd();
        if (!odd.isEmpty()) {
            problems.put(
                    "who",
                    "Neither an address nor a domain like @example.org: "
                            + String.join(", ", odd.stream().limit(3).toList()));
        }
        return problems;
    }

    /** What was sent, once there is no problem with it. @param known hosts there are */
    Settings settings(List<Long> known) {
        return new Settings(
                new Words(line(), lines(description), lines(materials)),
                new RoomTerms(door(door).orElseThrow(), lines(agenda), Boolean.TRUE.equals(email)),
                invited().invited(),
                Integer.parseInt(orEmpty(capacity).strip()),
                Arrays.stream(Part.values())
                        .filter(part -> orNone(shows).contains(part.name()))
                        .collect(Collectors.toUnmodifiableSet()),
                after().orElseThrow(),
                Boolean.TRUE.equals(everybodys),
                orNone(hosts).stream().filter(known::contains).distinct().toList());
    }

    private static String lines(@Nullable String sent) {
        return Text.manyLines(orEmpty(sent), LONGEST);
    }

    private static <T> List<T> orNone(@Nullable List<T> sent) {
        return Objects.requireNonNullElse(sent, List.of());
    }

    private static String orEmpty(@Nullable String sent) {
        return Objects.requireNonNullElse(sent, "");
    }
}
