package jollyroster.door;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** The way into a session that is held online, and into the rooms beside it. */
@Component
public class Entrances {

    private static final Actor ACTOR = new Actor.Program("links");
    private final Rooms rooms;
    private final LinkCommands links;
    private final SecondRoomQueries secondRooms;
    private final SecondRoomCommands choice;

    Entrances(Rooms rooms, LinkCommands links, SecondRoomQueries secondRooms, SecondRoomCommands choice) {
        this.rooms = rooms;
        this.links = links;
        this.secondRooms = secondRooms;
        this.choice = choice;
    }

    /** Where to send somebody's browser; empty while the meeting service has not made the room. */
    public Optional<String> way(Session session, Coming who) {
        Venue venue = session.venue().orElseThrow();
        if (venue.kind() == Venue.Kind.FIXED_LINK) {
            return Optional.of(venue.link());
        }
        return goesToSecond(session, who)
                ? wayToSecond(session, who)
                : room(session).flatMap(room -> way(session, room, who));
    }

    private boolean goesToSecond(Session session, Coming who) {
        OptionalInt limit = InsideQueries.limit(session);
        return !who.leads()
                && limit.isPresent()
                && SecondRoomQueries.has(session)
                && choice.choose(session, limit.getAsInt(), who.pass(), ACTOR);
    }

    /** The way into the room that opens when the first is full. */
    Optional<String> wayToSecond(Session session, Coming who) {
        return secondRooms
                .place(session.id())
                .or(() -> roomBeside(session, "session-" + session.id() + "-second")
                        .map(made -> choice.made(session.id(), made, ACTOR)))
                .flatMap(room -> way(session, room, who));
    }

    /** Ends what goes on in the rooms of a session: everybody is out. */
    void end(Session session) {
        Stream.of(Optional.ofNullable(session.link().room()), secondRooms.place(session.id()))
                .flatMap(Optional::stream)
                .forEach(rooms::end);
    }

    /** The way into a room beside the session's own. */
    public Optional<String> way(Session session, String room, Coming who) {
        return rooms.entry(
                room, session.offering().title(), who, session.doorHours().closes());
    }

    /** The way into the room where those who lead meet before the door opens. */
    public Optional<String> teamRoom(Session session, Coming who) {
        return roomBeside(session, "team-" + session.id()).flatMap(room -> way(session, room, who));
    }

    /** A room beside the session's own; empty while the service has none to give. @param name letters, digits and hyphens */
    public Optional<String> roomBeside(Session session, String name) {
        return room(name, session.offering().title());
    }

    /**
     * A room that belongs to no session; empty while the service has none to give.
     *
     * @param name letters, digits and hyphens
     */
    public Optional<String> room(String name, String title) {
        return rooms.make(name, title) instanceof MeetingProvider.Answer.Made made
                ? Optional.of(made.room())
                : Optional.empty();
    }

    /** The way into such a room. @param closes when it shuts */
    public Optional<String> way(String room, String title, Coming who, Instant closes) {
        return rooms.entry(room, title, who, closes);
    }

    /** Whether a service reports who comes and goes. */
    public static boolean isReported(Session session) {
        return session.venue().filter(v -> v.kind() == Venue.Kind.MADE_LINK).isPresent();
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
