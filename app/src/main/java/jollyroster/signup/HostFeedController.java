package jollyroster.signup;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.outbox.EntryWords;
import jollyroster.platform.Address;
import jollyroster.platform.Names;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.TeamQueries;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The private calendar of a member of the team: what they lead, and who picked a time with them. */
@RestController
class HostFeedController {

    private static final Duration LOOK_BACK = Duration.ofDays(31);
    private static final Duration AHEAD = Duration.ofDays(400);
    private static final int NAMED = 3;
    private final PersonalLinks links;
    private final TeamQueries team;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final RegistrationQueries roster;
    private final EntryWords words;
    private final Calendars calendars;
    private final Address address;
    private final Clock clock;

    HostFeedController(
            PersonalLinks links,
            TeamQueries team,
            ProgrammeQueries programme,
            HostQueries hosts,
            RegistrationQueries roster,
            EntryWords words,
            Calendars calendars,
            Address address,
            Clock clock) {
        this.links = links;
        this.team = team;
        this.programme = programme;
        this.hosts = hosts;
        this.roster = roster;
        this.words = words;
        this.calendars = calendars;
        this.address = address;
        this.clock = clock;
    }

    @GetMapping("/feeds/host/{token}.ics")
    ResponseEntity<String> feed(@PathVariable String token) {
        Optional<TeamQueries.Mate> whose = links.read(Purpose.HOST_FEED, token).flatMap(this::member);
        return whose.map(mate -> ResponseEntity.ok()
                        .contentType(OwnCalendarController.CALENDAR)
                        .header("Cache-Control", "no-store")
                        .body(calendars.publish(mate.name(), entries(mate.id()))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private Optional<TeamQueries.Mate> member(Link link) {
        return team.member(link.id()).filter(mate -> mate.active() && mate.generation() == link.generation());
    }

    private List<CalendarEntry> entries(long account) {
        Instant now = clock.instant();
        List<Session> sessions = programme.between(now.minus(LOOK_BACK), now.plus(AHEAD));
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        List<Session> led = sessions.stream()
                .filter(s -> leaders.getOrDefault(s.id(), List.of()).stream().anyMatch(host -> host.id() == account))
                .toList();
        Map<Long, List<Registration>> people = roster.rosters(
                led.stream().filter(s -> s.lead() == null).map(Session::id).toList());
        return led.stream()
                .map(s -> entry(s, people.getOrDefault(s.id(), List.of())))
                .toList();
    }

    private CalendarEntry entry(Session s, List<Registration> roster) {
        List<Registration> coming = roster.stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .toList();
        boolean named = s.offering().style() == SignUpStyle.OWN_TIME && !coming.isEmpty();
        String shipped = s.offering().title() + (named ? ": " + names(coming) : "");
        Map<String, Object> values = Map.of(
                "title",
                s.offering().title(),
                "who",
                coming.size() > NAMED ? "" : shortly(coming),
                "count",
                coming.stream().mapToInt(Registration::party).sum(),
                "place",
                s.isOnline() ? "online" : s.place());
        String page = address.of("/desk/sessions/" + s.id());
        return new CalendarEntry(
                s.calendarUid(address.host()),
                s.sequence(),
                words.hostTitle(s.offering().id(), values, shipped),
                s.offering().summary(),
                s.placeOr(page),
                page,
                s.start(),
                s.end(),
                s.zone(),
                s.createdAt(),
                s.cancelled());
    }

    private static String names(List<Registration> people) {
        return people.stream().limit(NAMED).map(Registration::name).collect(Collectors.joining(", "));
    }

    /** {@code Bao H., Singapore} */
    private static String shortly(List<Registration> people) {
        return people.stream()
                .map(r -> Names.shortened(r.name()) + ", " + Times.city(r.zone()))
                .collect(Collectors.joining("; "));
    }
}
