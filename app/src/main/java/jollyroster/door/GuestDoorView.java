package jollyroster.door;

import java.time.Clock;
import java.util.Map;
import jollyroster.core.door.GuestMeets;
import jollyroster.door.GuestDoor.Standing;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What a guest sees of a door. */
@Component
class GuestDoorView {

    private final WaitingRoom waiting;
    private final HostQueries hosts;
    private final Clock clock;

    GuestDoorView(WaitingRoom waiting, HostQueries hosts, Clock clock) {
        this.waiting = waiting;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** The door as a guest sees it. @param secondsLeft until it opens */
    record View(
            GuestMeets meets,
            String title,
            String about,
            String starts,
            String host,
            String place,
            boolean emailAsked,
            String agreement,
            boolean online,
            long secondsLeft,
            String slug,
            WaitingRoom.View waiting) {}

    View of(Standing at, String token) {
        Session session = at.session();
        return new View(
                at.meets(),
                session.offering().title(),
                session.offering().summary(),
                Times.range(
                                session.start(),
                                session.end(),
                                session.zone(),
                                clock.instant().atZone(session.zone()).toLocalDate())
                        + " " + Times.city(session.zone())
                        + " time",
                HostQueries.names(hosts.of(session), session.offering().hostName()),
                session.isOnline() ? "" : session.place(),
                at.link().asksEmail(),
                at.link().agreement(),
                session.isOnline(),
                session.doorHours().secondsUntilOpen(clock.instant()),
                session.offering().slug(),
                waiting.view(session, at.meets().name(), at.arrival(), "/g/" + token));
    }

    /** What a page that waits asks from time to time: the door may be moved meanwhile. */
    Map<String, Object> state(Standing at) {
        return waiting.state(
                at.session(),
                at.meets().name(),
                at.session().doorHours().secondsUntilOpen(clock.instant()),
                at.arrival());
    }
}
