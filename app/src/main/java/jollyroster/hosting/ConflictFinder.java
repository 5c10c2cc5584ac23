package jollyroster.hosting;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.Claim.Owner;
import jollyroster.core.openhours.Conflict;
import jollyroster.core.openhours.Conflicts;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** Finds where hosts and venues are double-booked, among all sessions and what hosts do elsewhere. */
@Component
public class ConflictFinder implements Clashes {

    private static final Duration REACH = Duration.ofDays(400);
    private static final Duration WIDEST_BUFFER = Duration.ofDays(1);
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final BusyQueries busy;

    ConflictFinder(ProgrammeQueries programme, HostQueries hosts, BusyQueries busy) {
        this.programme = programme;
        this.hosts = hosts;
        this.busy = busy;
    }

    /** A conflict with what its sides are called. @param sessions those of its sides that are sessions */
    public record Named(Conflict conflict, String owner, List<Session> sessions) {}

    @Override
    public List<Clash> of(Collection<Session> sessions, Instant now) {
        Set<Long> asked = sessions.stream().map(Session::id).collect(Collectors.toCollection(HashSet::new));
        if (asked.isEmpty()) {
            return List.of();
        }
        return concerning(asked, within(window(sessions, now)));
    }

    @Override
    public List<Clash> ifHeld(Collection<Session> changed, Map<Long, List<Host>> leading, Instant now) {
        Set<Long> asked = changed.stream().map(Session::id).collect(Collectors.toSet());
        Interval window = window(changed, now);
        List<Session> others =
                held(window).stream().filter(s -> !asked.contains(s.id())).toList();
        Map<Long, List<Host>> all = new HashMap<>(hosts.of(others));
        changed.forEach(s -> all.put(s.id(), leading.getOrDefault(s.id(), List.of())));
        List<Session> would = Stream.concat(others.stream(), changed.stream().filter(s -> !s.cancelled()))
                .toList();
        return concerning(asked, among(would, all, busy.blocks(window)));
    }

    private static List<Clash> concerning(Set<Long> asked, List<Named> found) {
        List<Clash> clashes = new ArrayList<>();
        for (Named named : found) {
            named.sessions().stream()
                    .filter(s -> asked.contains(s.id()))
                    .forEach(s -> clashes.add(new Clash(s.id(), named.owner(), named.conflict())));
        }
        return clashes;
    }

    private static Interval window(Collection<Session> sessions, Instant now) {
        Instant last =
                sessions.stream().map(Session::end).max(Instant::compareTo).orElse(now);
        Instant end = last.isBefore(now) ? now : last;
        Instant most = now.plus(REACH);
        return new Interval(now, end.plus(WIDEST_BUFFER).isAfter(most) ? most : end.plus(WIDEST_BUFFER));
    }

    /** The conflicts of sessions that are held within a window. */
    public List<Named> within(Interval window) {
        List<Session> sessions = held(window);
        return among(sessions, hosts.of(sessions), busy.blocks(window));
    }

    private List<Session> held(Interval window) {
        return programme.between(window.start(), window.end()).stream()
                .filter(s -> !s.cancelled())
                .toList();
    }

    /** The conflicts there would be if one session were held at another time. */
    List<Named> withMoved(Session moved, Interval to, Interval window) {
        List<Session> others =
                held(window).stream().filter(s -> s.id() != moved.id()).toList();
        Session there = at(moved, to);
        List<Session> all = Stream.concat(others.stream(), Stream.of(there)).toList();
        return among(all, hosts.of(all), busy.blocks(window)).stream()
                .filter(n -> n.conflict().concerns(moved.id()))
                .toList();
    }

    /** The hosts who are taken up at any moment of a stretch of time, by sessions other than one or elsewhere. */
    List<Long> takenDuring(Interval stretch, long except, Interval window) {
        List<Session> sessions =
                held(window).stream().filter(s -> s.id() != except).toList();
        return claims(sessions, hosts.of(sessions), busy.blocks(window)).stream()
                .filter(claim -> claim.owner().sort() == Owner.Sort.HOST)
                .filter(claim -> claim.padded().overlaps(stretch))
                .map(claim -> claim.owner().id())
                .distinct()
                .toList();
    }

    private static Session at(Session s, Interval to) {
        return new Session(
                s.id(),
                s.offering(),
                to.start(),
                to.end(),
                s.zone(),
                s.seats(),
                s.keptBack(),
                s.cancelled(),
                s.givenBack(),
                s.own(),
                s.link(),
                s.lead(),
                s.registersFor(),
                s.sequence(),
                s.createdAt());
    }

    private static List<Named> among(
            List<Session> sessions, Map<Long, List<Host>> hosts, List<BusyQueries.Block> blocks) {
        Map<Long, Session> byId = sessions.stream().collect(Collectors.toMap(Session::id, s -> s));
        Map<Long, String> hostNames = hosts.values().stream()
                .flatMap(List::stream)
                .collect(Collectors.toMap(Host::id, Host::name, (a, b) -> a));
        Map<Long, String> venueNames = sessions.stream()
                .flatMap(s -> s.venue().stream())
                .collect(Collectors.toMap(Venue::id, Venue::name, (a, b) -> a));
        return Conflicts.among(claims(sessions, hosts, blocks)).stream()
                .map(c -> new Named(
                        c,
                        c.owner().sort() == Owner.Sort.HOST
                                ? hostNames.getOrDefault(c.owner().id(), "")
                                : venueNames.getOrDefault(c.owner().id(), ""),
                        sides(c, byId)))
                .toList();
    }

    private static List<Session> sides(Conflict conflict, Map<Long, Session> byId) {
        return Stream.of(conflict.first(), conflict.second())
                .filter(claim -> claim.kind() == Claim.Kind.SESSION)
                .map(claim -> byId.get(claim.id()))
                .toList();
    }

    private static List<Claim> claims(
            List<Session> sessions, Map<Long, List<Host>> hosts, List<BusyQueries.Block> blocks) {
        List<Claim> claims = new ArrayList<>();
        for (Session s : sessions) {
            hosts.get(s.id()).forEach(host -> claims.add(s.claim(Owner.host(host.id()))));
            s.venue().filter(Venue::holdsOneAtATime).ifPresent(venue -> claims.add(s.claim(Owner.venue(venue.id()))));
        }
        for (int i = 0; i < blocks.size(); i++) {
            claims.add(Claim.busy(
                    Owner.host(blocks.get(i).host()), i, blocks.get(i).span()));
        }
        return claims;
    }
}
