package jollyroster.rooms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.door.RoomTerms;
import jollyroster.door.Entrances;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/** How somebody stands before a standing room, and the way in. */
@Component
class RoomDoorway {

    private static final Actor ACTOR = new Actor.Program("standing rooms");
    private static final Duration KNOWN_FOR = Duration.ofHours(12);
    private final RoomQueries rooms;
    private final RoomVisitQueries visits;
    private final RoomMeetingCommands meetings;
    private final Entrances entrances;
    private final PersonalLinks links;
    private final Clock clock;

    RoomDoorway(
            RoomQueries rooms,
            RoomVisitQueries visits,
            RoomMeetingCommands meetings,
            Entrances entrances,
            PersonalLinks links,
            Clock clock) {
        this.rooms = rooms;
        this.visits = visits;
        this.meetings = meetings;
        this.entrances = entrances;
        this.links = links;
        this.clock = clock;
    }

    /**
     * A room before somebody.
     *
     * @param terms as they hold now
     * @param visit by which the browser is known; of an earlier meeting where they have not come again yet
     * @param inside who is
     */
    record Standing(
            StandingRoom room,
            Optional<RoomMeeting> meeting,
            RoomTerms terms,
            Optional<RoomVisit> visit,
            List<RoomVisit> inside,
            GuestMeets meets) {

        boolean hostInside() {
            return inside.stream().anyMatch(v -> v.account() != 0);
        }
    }

    Optional<Standing> before(String slug, HttpServletRequest request) {
        return rooms.bySlug(slug).map(room -> {
            Instant now = clock.instant();
            Optional<RoomMeeting> meeting = rooms.present(room.id(), now);
            RoomTerms terms = meeting.map(m -> room.terms().during(m.once())).orElse(room.terms());
            Optional<RoomVisit> visit = known(room, request);
            List<RoomVisit> inside = meeting.map(m -> visits.inside(m, now)).orElse(List.of());
            return new Standing(room, meeting, terms, visit, inside, meets(room, meeting, terms, visit, inside));
        });
    }

    private static GuestMeets meets(
            StandingRoom room,
            Optional<RoomMeeting> meeting,
            RoomTerms terms,
            Optional<RoomVisit> visit,
            List<RoomVisit> inside) {
        if (room.retired()) {
            return GuestMeets.OVER;
        }
        Optional<RoomVisit> comes = visit.filter(v -> v.meeting() == 0
                || v.state() == Knock.BARRED
                || meeting.filter(m -> m.id() == v.meeting()).isPresent());
        return comes.map(v -> terms.door()
                        .meets(
                                v.state(),
                                () -> inside.stream().anyMatch(i -> i.account() != 0),
                                () -> inside.stream()
                                                .filter(i -> i.id() != v.id())
                                                .count()
                                        < room.capacity()))
                .orElse(GuestMeets.SAYS_WHO);
    }

    private Optional<RoomVisit> known(StandingRoom room, HttpServletRequest request) {
        return Optional.ofNullable(WebUtils.getCookie(request, cookie(room)))
                .flatMap(kept -> links.read(Purpose.ROOM_VISIT, kept.getValue()))
                .flatMap(visits::byLink)
                .filter(v -> v.room() == room.id());
    }

    void keep(StandingRoom room, Link visit, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(cookie(room), links.issue(Purpose.ROOM_VISIT, visit))
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .path("/rooms/")
                        .maxAge(KNOWN_FOR)
                        .build()
                        .toString());
    }

    private static String cookie(StandingRoom room) {
        return "room-" + room.id();
    }

    /** Where to send the browser of somebody who goes in; empty while the meeting service has no room to give. */
    Optional<String> way(StandingRoom room, RoomMeeting meeting, RoomVisit who) {
        Optional<String> place = meeting.place().isEmpty()
                ? entrances
                        .room("room-" + room.id() + "-" + meeting.id(), room.name())
                        .map(made -> meetings.placeMade(meeting.id(), made, ACTOR))
                : Optional.of(meeting.place());
        Coming coming = new Coming(who.name(), links.issue(Purpose.ROOM_VISIT, who.link()), who.account() != 0);
        return place.flatMap(
                made -> entrances.way(made, room.name(), coming, clock.instant().plus(KNOWN_FOR)));
    }
}
