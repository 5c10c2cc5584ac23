package jollyroster.door;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import jollyroster.core.door.Admission;
import jollyroster.door.PersonalDoor.Arriving;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** What somebody with their own link sees of a door. */
@Component
class PersonalDoorView {

    private final PersonalLinks links;
    private final RegistrationQueries roster;
    private final WaitingRoom waiting;
    private final HostQueries hosts;
    private final Clock clock;

    PersonalDoorView(
            PersonalLinks links, RegistrationQueries roster, WaitingRoom waiting, HostQueries hosts, Clock clock) {
        this.links = links;
        this.roster = roster;
        this.waiting = waiting;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** The door as a person sees it. @param secondsLeft until the door opens, in seconds; 0 when it is open */
    record View(
            Admission meets,
            String title,
            String name,
            String starts,
            String startsHere,
            String opens,
            long secondsLeft,
            Where where,
            int placeInLine,
            String ownPage,
            String slug,
            String address,
            WaitingRoom.View waiting) {}

    /** Where one goes and with what. @param host who leads it; empty when nobody is named */
    record Where(boolean online, String place, String accessNote, String bring, String host) {}

    View of(Arriving at, String token) {
        Session session = at.session();
        ZoneId theirs = at.who().zone();
        Instant start = session.start();
        boolean sameClock = theirs.getRules()
                .getOffset(start)
                .equals(session.zone().getRules().getOffset(start));
        boolean isInLine = at.meets() == Admission.PLACE_IN_LINE;
        return new View(
                at.meets(),
                session.offering().title(),
                at.who().name(),
                Times.range(
                                start,
                                session.end(),
                                theirs,
                                clock.instant().atZone(theirs).toLocalDate()) + " " + Times.city(theirs) + " time",
                sameClock
                        ? ""
                        : Times.hours(session.zonedStart(), session.end().atZone(session.zone())) + " in "
                                + Times.city(session.zone()),
                Times.dayAndTime(session.doorHours().opens(), theirs),
                session.doorHours().secondsUntilOpen(clock.instant()),
                where(session),
                isInLine ? roster.placeInLine(at.who()) : 0,
                links.ownPage(at.link()),
                session.offering().slug(),
                "/join/" + token,
                waiting.view(session, at.meets().name(), at.knocked(), "/join/" + token));
    }

    private Where where(Session session) {
        return new Where(
                session.isOnline(),
                session.place(),
                session.venue().map(Venue::accessNote).orElse(""),
                session.offering().bring(),
                HostQueries.names(hosts.of(session), session.offering().hostName()));
    }

    /** What a page that waits asks from time to time: the door may be moved meanwhile. */
    Map<String, Object> state(Arriving at) {
        return waiting.state(
                at.session(),
                at.meets().name(),
                at.session().doorHours().secondsUntilOpen(clock.instant()),
                at.knocked());
    }
}
