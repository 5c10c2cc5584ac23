package jollyroster.rooms;

import java.util.List;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;

/**
 * Whose a standing room is. Organisers and whoever made it set what holds in it; whoever it is shared with hosts meetings there.
 */
@Component
class RoomKeepers {

    private final RoomQueries rooms;

    RoomKeepers(RoomQueries rooms) {
        this.rooms = rooms;
    }

    /** The rooms somebody may use. */
    List<StandingRoom> rooms(Actor actor) {
        List<Long> shared = actor instanceof Actor.Team member ? rooms.sharedRooms(member.id()) : List.of();
        return rooms.rooms().stream()
                .filter(room -> owns(room, actor) || isHost(actor) && (room.everybodys() || shared.contains(room.id())))
                .toList();
    }

    boolean owns(StandingRoom room, Actor actor) {
        return actor.isOver(room.maker());
    }

    private static boolean isHost(Actor actor) {
        return actor instanceof Actor.Team member && member.role() != Role.HELPER;
    }

    /** The room, where somebody may host in it. */
    Optional<StandingRoom> visible(long room, Actor actor) {
        return rooms.room(room).filter(r -> mayHost(r, actor));
    }

    private boolean mayHost(StandingRoom room, Actor actor) {
        return owns(room, actor)
                || isHost(actor)
                        && (room.everybodys()
                                || actor instanceof Actor.Team member
                                        && rooms.sharedWith(room.id()).contains(member.id()));
    }

    /** @throws AccessDeniedException where somebody may not host there */
    StandingRoom hosted(long room, Actor actor) {
        return visible(room, actor).orElseThrow(() -> new AccessDeniedException("Not a room of theirs"));
    }

    /** @throws AccessDeniedException where what holds in the room is not theirs to set */
    StandingRoom own(long room, Actor actor) {
        return rooms.room(room)
                .filter(r -> owns(r, actor))
                .orElseThrow(() -> new AccessDeniedException("Not a room of their own"));
    }
}
