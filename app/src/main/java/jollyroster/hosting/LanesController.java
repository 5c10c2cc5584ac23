package jollyroster.hosting;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.chart.HostLanes;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Meant;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.openhours.Claim.Owner;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Role;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.schedule.OutcomeWords;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.team.TeamQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Host schedule: who leads what when, over a week or four, and where that does not work out. */
@DeskPage
class LanesController {

    private static final int MOST_WEEKS = 4;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final BusyQueries busy;
    private final OpenQueries open;
    private final ConflictFinder finder;
    private final WaysOut waysOut;
    private final ScheduleCommands schedule;
    private final OrganisationQueries organisation;
    private final Clock clock;

    LanesController(
            ProgrammeQueries programme,
            HostQueries hosts,
            TeamQueries team,
            BusyQueries busy,
            OpenQueries open,
            ConflictFinder finder,
            WaysOut waysOut,
            ScheduleCommands schedule,
            OrganisationQueries organisation,
            Clock clock) {
        this.programme = programme;
        this.hosts = hosts;
        this.team = team;
        this.busy = busy;
        this.open = open;
        this.finder = finder;
        this.waysOut = waysOut;
        this.schedule = schedule;
        this.organisation = organisation;
        this.clock = clock;
    }

    private ZoneId home() {
        return organisation.organisation().zone();
    }

    @GetMapping("/desk/lanes")
    String lanes(@RequestParam(defaultValue = "") String at, @RequestParam(defaultValue = "1") int weeks, Model model) {
        LocalDate today = clock.instant().atZone(home()).toLocalDate();
        LocalDate monday = Meant.day(at).orElse(today).with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        int shown = weeks == MOST_WEEKS ? MOST_WEEKS : 1;
        HostLanes.Frame frame = new HostLanes.Frame(monday, shown * 7, home(), clock.instant());
        List<ConflictFinder.Named> conflicts = finder.within(frame.span());
        model.addAttribute("lanes", HostLanes.of(frame, hosts(frame, conflicts)));
        model.addAttribute("conflicts", waysOut.of(conflicts, frame.span(), home()));
        model.addAttribute("at", monday.toString());
        model.addAttribute("weeks", shown);
        model.addAttribute("earlier", monday.minusWeeks(shown).toString());
        model.addAttribute("later", monday.plusWeeks(shown).toString());
        model.addAttribute(
                "range", Times.dayAndMonth(monday) + " to " + Times.dayAndMonth(monday.plusDays(shown * 7L - 1)));
        return "hosting/lanes";
    }

    private List<HostLanes.Host> hosts(HostLanes.Frame frame, List<ConflictFinder.Named> conflicts) {
        Interval window = frame.span();
        Map<Long, List<HostLanes.Open>> hours =
                open.between(frame.from(), frame.from().plusDays(frame.days()));
        List<Session> sessions = programme.between(window.start(), window.end()).stream()
                .filter(s -> !s.cancelled())
                .toList();
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        List<BusyQueries.Block> blocks = busy.blocks(window);
        List<HostLanes.Host> lanes = new ArrayList<>();
        for (TeamQueries.Mate mate : team.hosts()) {
            List<Session> led = sessions.stream()
                    .filter(s -> leaders.get(s.id()).stream().anyMatch(h -> h.id() == mate.id()))
                    .toList();
            List<Interval> elsewhere = blocks.stream()
                    .filter(b -> b.host() == mate.id())
                    .map(BusyQueries.Block::span)
                    .toList();
            List<HostLanes.Open> its = hours.getOrDefault(mate.id(), List.of());
            if (!led.isEmpty() || !elsewhere.isEmpty() || !its.isEmpty() || mate.role() == Role.HOST) {
                lanes.add(new HostLanes.Host(
                        mate.name(), its, held(led), elsewhere, clashes(conflicts, Owner.host(mate.id()))));
            }
        }
        List<Session> nobodys =
                sessions.stream().filter(s -> leaders.get(s.id()).isEmpty()).toList();
        if (!nobodys.isEmpty()) {
            lanes.add(new HostLanes.Host("Nobody yet", List.of(), held(nobodys), List.of(), List.of()));
        }
        return lanes;
    }

    private static List<HostLanes.Held> held(List<Session> sessions) {
        return sessions.stream()
                .map(s -> new HostLanes.Held(
                        s.id(),
                        s.offering().title(),
                        s.venue().map(Venue::name).orElse(""),
                        s.span(),
                        s.claim(Owner.host(0)).padded(),
                        s.offering().front().tint().code()))
                .toList();
    }

    private static List<Interval> clashes(List<ConflictFinder.Named> conflicts, Owner owner) {
        return conflicts.stream()
                .map(ConflictFinder.Named::conflict)
                .filter(c -> c.owner().equals(owner))
                .map(c -> c.overlap())
                .toList();
    }

    /** What would come of moving a session, for the page to show while it is dragged; nothing is changed. */
    @PostMapping("/desk/lanes/check")
    String check(
            @RequestParam long session,
            @RequestParam String start,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "1") int weeks,
            Model model) {
        model.addAttribute("at", at);
        model.addAttribute("weeks", weeks);
        Session moved = known(session);
        SessionTime to = start(moved, start);
        Interval around = new Interval(
                to.span().start().minus(Duration.ofDays(2)), to.span().end().plus(Duration.ofDays(2)));
        List<ConflictFinder.Named> conflicts = finder.withMoved(moved, to.span(), around);
        model.addAttribute("moved", session);
        model.addAttribute("start", to.start().toLocalDateTime().toString());
        model.addAttribute(
                "words",
                moved.offering().title() + " to " + Times.day(to.start()) + ", " + Times.hours(to.start(), to.end()));
        model.addAttribute("past", !to.start().toInstant().isAfter(clock.instant()));
        model.addAttribute(
                "collides",
                conflicts.stream()
                        .map(c -> c.owner() + " double-booked, overlap "
                                + c.conflict().minutes() + " min")
                        .toList());
        return "hosting/lanes :: check";
    }

    private Session known(long id) {
        return programme.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static SessionTime start(Session session, String start) {
        try {
            LocalDateTime at = LocalDateTime.parse(start);
            if (at.getYear() >= 2000 && at.getYear() <= 2199) {
                return SessionTime.resolve(at, session.zone(), session.length());
            }
        } catch (DateTimeParseException notATime) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
    }

    @PostMapping("/desk/lanes/move")
    String move(
            @RequestParam long session,
            @RequestParam String start,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "1") int weeks,
            RedirectAttributes flash,
            Actor actor) {
        Instant to = start(known(session), start).start().toInstant();
        flash.addFlashAttribute("said", OutcomeWords.of(schedule.move(session, to, actor)));
        return back(at, weeks);
    }

    /** Lets somebody else lead a session in the place of a host who is needed twice. */
    @PostMapping("/desk/lanes/lead")
    String lead(
            @RequestParam long session,
            @RequestParam long instead,
            @RequestParam long host,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "1") int weeks,
            RedirectAttributes flash,
            Actor actor) {
        List<Long> leaders = hosts.of(known(session)).stream()
                .map(Host::id)
                .map(id -> id == instead ? Long.valueOf(host) : id)
                .distinct()
                .toList();
        flash.addFlashAttribute("said", OutcomeWords.of(schedule.lead(session, leaders, actor)));
        return back(at, weeks);
    }

    static String back(String at, int weeks) {
        return "redirect:/desk/lanes?weeks=" + weeks + (Meant.day(at).isPresent() ? "&at=" + at : "");
    }
}
