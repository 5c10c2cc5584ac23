package jollyroster.door;

import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** The way into a session that is held online. */
@Component
class Entrances {

    private static final Actor ACTOR = new Actor.Program("links");
    private final Rooms rooms;
    private final LinkCommands links;

    Entrances(Rooms rooms, LinkCommands links) {
        this.rooms = rooms;
        this.links = links;
    }

    /**
     * Where to send somebody's browser; empty while the meeting service has not made the room.
     *
     * @param pass what the service hands back when it reports that they came
     */
    Optional<String> way(Session session, String name, String pass) {
        Venue venue = session.venue().orElseThrow();
        if (venue.kind() == Venue.Kind.FIXED_LINK) {
            return Optional.of(venue.link());
        }
        return room(session)
                .flatMap(room -> rooms.entry(
                        room,
                        session.offering().title(),
                        name,
                        pass,
                        session.doorHours().closes()));
    }

    private Optional<String> room(Session session) {
        String room = session.link().room();
        if (room != null) {
            return Optional.of(room);
        }
        if (rooms.make(session) instanceof MeetingProvider.Answer.Made made) {
            links.made(session.id(), made.room(), ACTOR);
            return Optional.of(made.room());
        }
        return Optional.empty();
    }
}
