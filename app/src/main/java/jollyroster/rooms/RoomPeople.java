package jollyroster.rooms;

import java.util.List;
import java.util.stream.Collectors;
import jollyroster.team.TeamQueries;
import jollyroster.team.TeamQueries.Mate;
import org.springframework.stereotype.Component;

/** Who hosts in a room. */
@Component
class RoomPeople {

    private final TeamQueries team;
    private final RoomQueries rooms;

    RoomPeople(TeamQueries team, RoomQueries rooms) {
        this.team = team;
        this.rooms = rooms;
    }

    /** Names of whose room it is and of those it is shared with by name. */
    String hosts(StandingRoom room) {
        return names(all(), room, rooms.sharedWith(room.id()));
    }

    /** All who may host. */
    List<Mate> all() {
        return team.hosts();
    }

    static String names(List<Mate> hosts, StandingRoom room, List<Long> shared) {
        return hosts.stream()
                .filter(m -> m.id() == room.maker() || shared.contains(m.id()))
                .map(Mate::name)
                .collect(Collectors.joining(", "));
    }

    /** Those a room can be shared with, beside whose it is. */
    List<Mate> others(long maker) {
        return team.hosts().stream().filter(m -> m.id() != maker).toList();
    }

    String name(long account) {
        return team.members().stream()
                .filter(m -> m.id() == account)
                .map(Mate::name)
                .findFirst()
                .orElse("");
    }
}
