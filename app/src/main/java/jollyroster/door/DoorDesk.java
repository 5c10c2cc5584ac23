package jollyroster.door;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.chart.RoomDrawing;
import jollyroster.core.door.DoorHours;
import jollyroster.core.door.DoorMove;
import jollyroster.core.door.Knock;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.Session;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** What stands on the page of a door. */
@Component
class DoorDesk {

    private static final int LAST = 12;
    private final ArrivalQueries arrivals;
    private final InsideQueries insiders;
    private final RegistrationQueries roster;
    private final DoorRows rows;
    private final WaitingRoom waitingRoom;
    private final SecondRoomQueries secondRooms;
    private final HostQueries hosts;
    private final Clock clock;

    DoorDesk(
            ArrivalQueries arrivals,
            InsideQueries insiders,
            RegistrationQueries roster,
            DoorRows rows,
            WaitingRoom waitingRoom,
            SecondRoomQueries secondRooms,
            HostQueries hosts,
            Clock clock) {
        this.arrivals = arrivals;
        this.insiders = insiders;
        this.roster = roster;
        this.rows = rows;
        this.waitingRoom = waitingRoom;
        this.secondRooms = secondRooms;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** A door. @param room how many fit; empty for any number @param second how many are in the second room; empty without one */
    record View(
            String title,
            String about,
            String phase,
            int inside,
            int waiting,
            int missing,
            int expected,
            String room,
            String drawing,
            List<DoorRows.Row> rows,
            List<Gone> last,
            boolean anyRegistered,
            String note,
            boolean writesToMissing,
            String second) {}

    /** Somebody who came in or was sent away. */
    record Gone(long id, String when, String name, String how, boolean inside, boolean barred) {}

    View view(Session session) {
        Instant now = clock.instant();
        List<Arrival> all = arrivals.of(session.id());
        List<Arrival> waiting =
                all.stream().filter(a -> a.state().isAtTheDoor()).toList();
        int inside = insiders.number(session);
        int expected = roster.of(List.of(session.book()))
                .getOrDefault(session.book(), SeatCounts.SeatCount.NONE)
                .taken();
        int missing = Math.max(0, expected - insiders.came(session));
        OptionalInt room = InsideQueries.limit(session);
        return new View(
                session.offering().title(),
                about(session),
                phase(session, now),
                inside,
                waiting.size(),
                missing,
                expected,
                room.isPresent() ? String.valueOf(room.getAsInt()) : "",
                RoomDrawing.of(inside, waiting.size(), missing),
                rows.of(session, waiting, now),
                last(all, session.zone()),
                waiting.stream().anyMatch(a -> a.registration() != 0),
                waitingRoom.note(session),
                missing > 0 && session.isOnline() && !session.cancelled() && isOn(session, now),
                SecondRoomQueries.has(session) ? String.valueOf(secondRooms.inside(session.id())) : "");
    }

    /** What may be done to the door by hand. @param words on the button @param asks what is asked before; empty for nothing */
    record Move(String name, String words, String asks) {}

    List<Move> moves(Session session) {
        Instant now = clock.instant();
        return Stream.of(
                        new Move("OPEN", "Open the door now", ""),
                        new Move("LONGER", "Keep open 15 min longer", ""),
                        new Move(
                                "END",
                                "End session",
                                "Everybody is sent out of the meeting, and nobody comes in any more. End it?"),
                        new Move("REOPEN", "Open again for 15 min", ""))
                .filter(move -> DoorHoursCommands.may(DoorMove.valueOf(move.name()), session, now))
                .toList();
    }

    private static boolean isOn(Session session, Instant now) {
        return !now.isBefore(session.start()) && session.doorHours().at(now) == DoorHours.Phase.OPEN;
    }

    private String about(Session session) {
        return Stream.of(
                        Times.hours(session.zonedStart(), session.end().atZone(session.zone())) + " "
                                + Times.city(session.zone()),
                        session.venue().map(v -> v.name()).orElse(""),
                        with(session))
                .filter(text -> !text.isBlank())
                .collect(Collectors.joining(" · "));
    }

    private String with(Session session) {
        String names = HostQueries.names(hosts.of(session), session.offering().hostName());
        return names.isEmpty() ? "" : "with " + names;
    }

    private static String phase(Session session, Instant now) {
        if (session.cancelled()) {
            return "cancelled";
        }
        return switch (session.doorHours().at(now)) {
            case BEFORE ->
                "the door opens in "
                        + Times.length(Duration.between(now, session.doorHours().opens()));
            case AFTER -> "the door is closed";
            case OPEN ->
                now.isBefore(session.start())
                        ? "starts in " + Times.length(Duration.between(now, session.start()))
                        : "began " + Times.length(Duration.between(session.start(), now)) + " ago";
        };
    }

    private static List<Gone> last(List<Arrival> all, ZoneId zone) {
        return all.stream()
                .filter(a -> !a.state().isAtTheDoor())
                .sorted(Comparator.comparing((Arrival a) -> a.settled().orElse(a.at()))
                        .reversed())
                .limit(LAST)
                .map(a -> new Gone(
                        a.id(),
                        Times.time(a.settled().orElse(a.at()).atZone(zone)),
                        a.name(),
                        how(a),
                        a.state() == Knock.INSIDE,
                        a.state() == Knock.BARRED))
                .toList();
    }

    private static String how(Arrival a) {
        String what = switch (a.state()) {
            case INSIDE -> "let in";
            case BARRED -> "barred";
            default -> "turned away";
        };
        return a.by().isEmpty() ? what : what + " by " + a.by();
    }
}
