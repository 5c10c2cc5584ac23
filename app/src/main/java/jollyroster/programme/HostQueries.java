package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING_HOST;
import static jollyroster.platform.tables.Tables.SESSION_HOST;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.door.DoorHours;
import jollyroster.platform.Actor;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.Role;
import jollyroster.platform.TableChanges;
import jollyroster.team.TeamQueries;
import org.jooq.Record2;
import org.springframework.stereotype.Component;

/** Reads who leads what. */
@Component
public class HostQueries {

    private final Reads reads;
    private final TeamQueries team;
    private final Remembered<Long, List<Host>> usual;
    private final Remembered<Set<Long>, Map<Long, List<Host>>> usualOf;
    private final Remembered<Set<Long>, Map<Long, List<Host>>> ownOf;

    HostQueries(Reads reads, TeamQueries team, TableChanges changes) {
        this.usual = new Remembered<>(changes, 200, "offering", "offering_host", "account");
        this.usualOf = new Remembered<>(changes, 100, "offering", "offering_host", "account");
        this.ownOf = new Remembered<>(changes, 100, "session", "session_host", "account");
        this.reads = reads;
        this.team = team;
    }

    /** A member of the team who leads a session. */
    public record Host(long id, String name) {}

    /** The hosts of each of these sessions, in order: the session's own, or its offering's. In two queries. */
    public Map<Long, List<Host>> of(Collection<Session> sessions) {
        Map<Long, Host> known = known();
        Map<Long, List<Host>> own = ownOf.get(
                sessions.stream().filter(s -> s.own().hosts()).map(Session::id).collect(Collectors.toSet()),
                some -> own(some, known));
        Map<Long, List<Host>> usual = usualOf.get(
                sessions.stream().map(s -> s.offering().id()).collect(Collectors.toSet()),
                offerings -> ofOfferings(offerings, known));
        return sessions.stream()
                .collect(Collectors.toMap(
                        Session::id,
                        s -> s.own().hosts()
                                ? own.getOrDefault(s.id(), List.of())
                                : usual.getOrDefault(s.offering().id(), List.of()),
                        (first, second) -> first));
    }

    private Map<Long, List<Host>> own(Collection<Long> sessions, Map<Long, Host> known) {
        return sessions.isEmpty()
                ? Map.of()
                : grouped(
                        known,
                        reads.sql()
                                .select(SESSION_HOST.SESSION_ID, SESSION_HOST.ACCOUNT_ID)
                                .from(SESSION_HOST)
                                .where(SESSION_HOST.SESSION_ID.in(sessions))
                                .orderBy(SESSION_HOST.SESSION_ID, SESSION_HOST.PLACE)
                                .fetch());
    }

    private Map<Long, Host> known() {
        return team.members().stream()
                .map(m -> new Host(m.id(), m.name()))
                .collect(Collectors.toMap(Host::id, Function.identity()));
    }

    private Map<Long, List<Host>> ofOfferings(Collection<Long> offerings, Map<Long, Host> known) {
        return grouped(
                known,
                reads.sql()
                        .select(OFFERING_HOST.OFFERING_ID, OFFERING_HOST.ACCOUNT_ID)
                        .from(OFFERING_HOST)
                        .where(OFFERING_HOST.OFFERING_ID.in(offerings))
                        .orderBy(OFFERING_HOST.OFFERING_ID, OFFERING_HOST.PLACE)
                        .fetch());
    }

    private static Map<Long, List<Host>> grouped(Map<Long, Host> known, List<Record2<Long, Long>> rows) {
        Map<Long, List<Host>> grouped = new HashMap<>();
        rows.forEach(row ->
                grouped.computeIfAbsent(row.value1(), id -> new ArrayList<>()).add(known.get(row.value2())));
        return grouped;
    }

    public List<Host> of(Session session) {
        return of(List.of(session)).get(session.id());
    }

    /** The usual hosts of an offering. */
    public List<Host> ofOffering(long offering) {
        return usual.get(offering, id -> ofOfferings(List.of(id), known()).getOrDefault(id, List.of()));
    }

    /** The usual hosts of an offering, or those of them who are named. @param only empty for all */
    public List<Host> ofOffering(long offering, Set<Long> only) {
        return ofOffering(offering).stream()
                .filter(host -> only.isEmpty() || only.contains(host.id()))
                .toList();
    }

    /** Hosts and whoever else leads, as people read it; empty for nobody. */
    public static String names(List<Host> hosts, String others) {
        return Stream.concat(hosts.stream().map(Host::name), Stream.of(others).filter(o -> !o.isEmpty()))
                .collect(Collectors.joining(", "));
    }

    /**
     * Those of the sessions that somebody may see: an organiser and the program all, a host those they lead, a helper
     * today's, and nobody else any.
     */
    public List<Session> visible(List<Session> sessions, Actor actor, Instant now) {
        if (actor.isOrganiser()) {
            return sessions;
        }
        if (!(actor instanceof Actor.Team member)) {
            return List.of();
        }
        return member.role() == Role.HOST ? ledBy(member.id(), sessions) : onDuty(sessions, now);
    }

    private List<Session> ledBy(long host, List<Session> sessions) {
        Map<Long, List<Host>> hosts = of(sessions);
        return sessions.stream()
                .filter(s -> hosts.get(s.id()).stream().anyMatch(h -> h.id() == host))
                .toList();
    }

    /** Today's in the session's own zone, and those whose door is still open. */
    private static List<Session> onDuty(List<Session> sessions, Instant now) {
        return sessions.stream()
                .filter(s -> isToday(s, now) || s.doorHours().at(now) == DoorHours.Phase.OPEN)
                .toList();
    }

    private static boolean isToday(Session s, Instant now) {
        return now.atZone(s.zone()).toLocalDate().equals(s.zonedStart().toLocalDate());
    }

    public boolean isVisible(Session session, Actor actor, Instant now) {
        return !visible(List.of(session), actor, now).isEmpty();
    }
}
