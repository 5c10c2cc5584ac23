package jollyroster.guests;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;

/** Says which times were picked of late, and by whom: all of them, and to each host who leads what of them. */
@Component
class PickedTimes {

    private final ProgrammeQueries programme;
    private final RegistrationQueries rosters;
    private final HostQueries hosts;
    private final TeamQueries team;

    PickedTimes(ProgrammeQueries programme, RegistrationQueries rosters, HostQueries hosts, TeamQueries team) {
        this.programme = programme;
        this.rosters = rosters;
        this.hosts = hosts;
        this.team = team;
    }

    /** @param all every time, in words @param byHost the times of each host who can sign in, by their address */
    record Told(String all, Map<String, String> byHost) {

        boolean isNews() {
            return !all.isEmpty();
        }
    }

    /** What was picked after one moment and until another, and is still somebody's. */
    Told between(Offering offering, Instant after, Instant until) {
        List<Session> made = programme.sessionsOf(offering.id()).stream()
                .filter(s -> s.createdAt().isAfter(after) && !s.createdAt().isAfter(until))
                .sorted(Comparator.comparing(Session::start))
                .toList();
        Map<Long, List<Registration>> rosters =
                this.rosters.rosters(made.stream().map(Session::id).toList());
        Map<Long, String> lines = new LinkedHashMap<>();
        made.forEach(s -> who(rosters.getOrDefault(s.id(), List.of()))
                .ifPresent(names -> lines.put(s.id(), Times.dayAndTime(s.start(), s.zone()) + " " + names)));
        return new Told(words(lines.values()), byHost(made, lines));
    }

    private static Optional<String> who(List<Registration> roster) {
        String names = roster.stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .map(Registration::name)
                .collect(Collectors.joining(" and "));
        return Optional.of(names).filter(n -> !n.isEmpty());
    }

    private Map<String, String> byHost(List<Session> made, Map<Long, String> lines) {
        Map<Long, String> addresses = team.members().stream()
                .filter(TeamQueries.Mate::active)
                .collect(Collectors.toMap(TeamQueries.Mate::id, TeamQueries.Mate::email));
        Map<Long, List<HostQueries.Host>> leaders = hosts.of(made);
        Map<String, List<String>> led = new TreeMap<>();
        lines.forEach((session, line) -> leaders.getOrDefault(session, List.of())
                .forEach(host -> Optional.ofNullable(addresses.get(host.id()))
                        .ifPresent(to ->
                                led.computeIfAbsent(to, it -> new ArrayList<>()).add(line))));
        Map<String, String> told = new LinkedHashMap<>();
        led.forEach((to, theirs) -> told.put(to, words(theirs)));
        return told;
    }

    private static String words(Iterable<String> lines) {
        return String.join("; ", lines);
    }
}
