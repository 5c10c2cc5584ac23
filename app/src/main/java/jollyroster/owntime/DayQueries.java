package jollyroster.owntime;

import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.openhours.Unoffered;
import jollyroster.hosting.BusyQueries;
import jollyroster.platform.Reads;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Reads one day of an offering for the team: every start of every host, and what is in the way. */
@Component
class DayQueries {

    private final Reads reads;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final ProgrammeQueries programme;
    private final BusyQueries busy;

    DayQueries(Reads reads, HostQueries hosts, OwnTimeQueries ownTime, ProgrammeQueries programme, BusyQueries busy) {
        this.reads = reads;
        this.hosts = hosts;
        this.ownTime = ownTime;
        this.programme = programme;
        this.busy = busy;
    }

    /**
     * A day.
     *
     * @param starts of each host, in the order in which hosts are named
     * @param asked why each cannot be had at the time that was asked about; empty when nothing was asked, and for who can
     * @param names what sessions and calendars that are in the way are called, and until when a time is held
     */
    record Day(
            Map<Host, List<OpenTimes.Start>> starts, Map<Host, Optional<Unoffered>> asked, Map<Claim, String> names) {}

    /** @param at a time to ask about; empty for none */
    Day of(Offering o, LocalDate day, Optional<Instant> at, Instant now) {
        List<Host> leaders = hosts.ofOffering(o.id());
        Map<Host, List<OpenTimes.Start>> starts = new LinkedHashMap<>();
        Map<Host, Optional<Unoffered>> asked = new LinkedHashMap<>();
        if (!leaders.isEmpty()) {
            Interval window = new Interval(
                    day.atStartOfDay(o.zone()).toInstant(),
                    day.plusDays(1).atStartOfDay(o.zone()).toInstant());
            OwnTime own = ownTime.of(o.id());
            HostClaimQueries.Claims claims = new HostClaimQueries(reads.sql())
                    .around(window, leaders.stream().map(Host::id).toList(), own.rules(o), own, Viewer.anybody(now));
            HostTimes times = new HostTimes(o, own, leaders, claims, now);
            leaders.forEach(host -> starts.put(host, times.table().starts(host, day)));
            at.ifPresent(time ->
                    leaders.forEach(host -> asked.put(host, times.table().whyNot(host, time))));
            Map<Claim, String> names = names(starts, asked);
            claims.held()
                    .forEach(some ->
                            names.put(some.claim(), Times.time(some.until().atZone(o.zone()))));
            return new Day(starts, asked, names);
        }
        return new Day(starts, asked, Map.of());
    }

    private Map<Claim, String> names(Map<Host, List<OpenTimes.Start>> starts, Map<Host, Optional<Unoffered>> asked) {
        Set<Claim> inTheWay = Stream.concat(
                        starts.values().stream().flatMap(List::stream).flatMap(start -> start.why().stream()),
                        asked.values().stream().flatMap(Optional::stream))
                .flatMap(why -> DayWords.claim(why).stream())
                .collect(Collectors.toSet());
        Map<Long, String> titles = programme
                .sessions(inTheWay.stream()
                        .filter(claim -> claim.kind() == Claim.Kind.SESSION)
                        .map(Claim::id)
                        .toList())
                .stream()
                .collect(Collectors.toMap(Session::id, s -> s.offering().title()));
        Map<Long, String> calendars = busy.calendars().stream()
                .collect(Collectors.toMap(BusyQueries.Calendar::id, BusyQueries.Calendar::name));
        return inTheWay.stream()
                .collect(Collectors.toMap(
                        claim -> claim,
                        claim -> (claim.kind() == Claim.Kind.SESSION ? titles : calendars)
                                .getOrDefault(claim.id(), "")));
    }
}
