package jollyroster.roster;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import jollyroster.chart.StateMark;
import jollyroster.core.dates.Meant;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** Who took which slice of a stretch, day by day. */
@DeskPage
class SlicesController {

    private static final int DAYS = 3;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final HostQueries hosts;
    private final Clock clock;

    SlicesController(ProgrammeQueries programme, RegistrationQueries roster, HostQueries hosts, Clock clock) {
        this.programme = programme;
        this.roster = roster;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** A day with its slices. @param taken how many of them somebody has: {@code 3 of 8 taken} @param with who leads them all */
    record Day(String name, String taken, String with, List<Slice> slices) {}

    /** @param who has it or waits for it @param with who leads it @param free what is left of it; empty when nothing is */
    record Slice(long session, String time, List<Holder> who, String with, String free, boolean cancelled) {

        Slice withoutHost() {
            return new Slice(session, time, who, "", free, cancelled);
        }
    }

    record Holder(String mark, String name, long person) {}

    /** @param from the first day to show; today, or where nothing is to come the last there was, when it is none */
    @GetMapping("/desk/offerings/{id}/slices")
    String slices(@PathVariable long id, @RequestParam(defaultValue = "") String from, Model model) {
        Offering o = programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        TreeMap<LocalDate, List<Session>> days = programme.sessionsOf(id).stream()
                .sorted(Comparator.comparing(Session::start))
                .collect(Collectors.groupingBy(s -> s.zonedStart().toLocalDate(), TreeMap::new, Collectors.toList()));
        LocalDate today = clock.instant().atZone(o.zone()).toLocalDate();
        LocalDate first =
                Meant.day(from).orElse(days.ceilingKey(today) == null && !days.isEmpty() ? days.lastKey() : today);
        List<LocalDate> shown =
                days.tailMap(first).keySet().stream().limit(DAYS).toList();
        List<Session> sessions =
                shown.stream().flatMap(day -> days.get(day).stream()).toList();
        Map<Long, List<Registration>> people =
                roster.rosters(sessions.stream().map(Session::id).toList());
        Map<Long, List<HostQueries.Host>> leaders = hosts.of(sessions);
        model.addAttribute("offering", o);
        model.addAttribute(
                "days",
                shown.stream()
                        .map(day -> day(day, days.get(day), people, leaders))
                        .toList());
        model.addAttribute("earlier", before(days, first));
        model.addAttribute("later", shown.isEmpty() ? null : days.higherKey(shown.get(shown.size() - 1)));
        return "roster/slices";
    }

    /** The first of the days to show before a day. */
    private static LocalDate before(TreeMap<LocalDate, List<Session>> days, LocalDate first) {
        List<LocalDate> earlier = days.headMap(first, false).descendingKeySet().stream()
                .limit(DAYS)
                .toList();
        return earlier.isEmpty() ? null : earlier.get(earlier.size() - 1);
    }

    private static Day day(
            LocalDate day,
            List<Session> sessions,
            Map<Long, List<Registration>> people,
            Map<Long, List<HostQueries.Host>> leaders) {
        List<Slice> slices = sessions.stream()
                .map(s -> slice(s, people.getOrDefault(s.id(), List.of()), leaders.getOrDefault(s.id(), List.of())))
                .toList();
        long live = slices.stream().filter(s -> !s.cancelled()).count();
        long taken = slices.stream()
                .filter(s -> !s.cancelled() && s.free().isEmpty())
                .count();
        List<String> with = slices.stream().map(Slice::with).distinct().toList();
        boolean one = with.size() == 1;
        return new Day(
                Times.dayAndYear(day),
                taken + " of " + live + " taken",
                one ? with.get(0) : "",
                one ? slices.stream().map(Slice::withoutHost).toList() : slices);
    }

    private static Slice slice(Session s, List<Registration> people, List<HostQueries.Host> leaders) {
        List<Registration> active = people.stream()
                .filter(r -> RegistrationState.ACTIVE.contains(r.state()))
                .toList();
        int taken = active.stream()
                .filter(r -> r.state().takesSeats())
                .mapToInt(Registration::party)
                .sum();
        int free = Math.max(0, s.seats() - taken);
        return new Slice(
                s.id(),
                Times.hours(s.zonedStart(), s.end().atZone(s.zone())),
                active.stream()
                        .map(r -> new Holder(
                                StateMark.of(r.state().code(), s.offering().word(r.state())), r.name(), r.person()))
                        .toList(),
                HostQueries.names(leaders, s.offering().hostName()),
                free == 0 ? "" : s.seats() == 1 ? "free" : free + " of " + s.seats() + " free",
                s.cancelled());
    }
}
