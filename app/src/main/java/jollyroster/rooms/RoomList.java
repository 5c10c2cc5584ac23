package jollyroster.rooms;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.rooms.RoomQueries.Was;
import jollyroster.team.TeamQueries.Mate;
import org.springframework.stereotype.Component;

/** The standing rooms somebody may use, one under the other. */
@Component
class RoomList {

    private final RoomKeepers keepers;
    private final RoomQueries rooms;
    private final RoomListQueries stand;
    private final RoomPeople people;
    private final OrganisationQueries organisation;
    private final Clock clock;

    RoomList(
            RoomKeepers keepers,
            RoomQueries rooms,
            RoomListQueries stand,
            RoomPeople people,
            OrganisationQueries organisation,
            Clock clock) {
        this.keepers = keepers;
        this.rooms = rooms;
        this.stand = stand;
        this.people = people;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A room in the list. @param now who is inside and waits, in words @param last its last meeting, in words; empty for none */
    record Line(
            long id,
            String name,
            String door,
            String now,
            boolean busy,
            String last,
            String whose,
            boolean owns,
            boolean retired) {}

    List<Line> of(Actor actor) {
        Instant now = clock.instant();
        Map<Long, Integer> inside = stand.inside(now);
        Map<Long, Integer> waiting = stand.waiting(now);
        Map<Long, String> last = lastMeetings(now);
        Map<Long, List<Long>> shared = stand.sharedWith();
        List<Mate> hosts = people.all();
        return keepers.rooms(actor).stream()
                .map(room -> line(
                        room,
                        inside.getOrDefault(room.id(), 0),
                        waiting.getOrDefault(room.id(), 0),
                        last.getOrDefault(room.id(), ""),
                        whose(room, hosts, shared.getOrDefault(room.id(), List.of())),
                        keepers.owns(room, actor)))
                .toList();
    }

    private static Line line(StandingRoom room, int inside, int waiting, String last, String whose, boolean owns) {
        return new Line(
                room.id(),
                room.name(),
                RoomWords.door(room.terms().door()),
                RoomWords.inside(inside) + (waiting == 0 ? "" : " " + waiting + " waiting."),
                inside + waiting > 0,
                last,
                whose,
                owns,
                room.retired());
    }

    private static String whose(StandingRoom room, List<Mate> hosts, List<Long> shared) {
        return room.everybodys() ? "all hosts" : RoomPeople.names(hosts, room, shared);
    }

    private Map<Long, String> lastMeetings(Instant now) {
        Map<Long, RoomMeeting> last = stand.last(now);
        Map<Long, List<Was>> came =
                rooms.people(last.values().stream().map(RoomMeeting::id).toList(), now);
        return last.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        entry -> words(
                                entry.getValue(),
                                came.getOrDefault(entry.getValue().id(), List.of()),
                                now)));
    }

    private String words(RoomMeeting meeting, List<Was> came, Instant now) {
        Interval whole = PastMeetings.whole(meeting, came);
        String when = PastMeetings.when(whole, organisation.organisation().zone(), now);
        return when + ", " + (came.size() == 1 ? "one person" : came.size() + " people");
    }
}
