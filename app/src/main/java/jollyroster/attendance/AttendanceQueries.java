package jollyroster.attendance;

import static jollyroster.platform.tables.Tables.CONNECTION;
import static jollyroster.platform.tables.Tables.HAND_MARK;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.core.attendance.Presence;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.outbox.Attendances;
import jollyroster.platform.Reads;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Computes attendance from the evidence. */
@Component
public class AttendanceQueries implements Attendances {

    private final Reads reads;
    private final ProgrammeQueries programme;
    private final CheckInQueries checkIns;

    AttendanceQueries(Reads reads, CheckInQueries checkIns, ProgrammeQueries programme) {
        this.programme = programme;
        this.reads = reads;
        this.checkIns = checkIns;
    }

    /**
     * @param computed from the connections
     * @param byHand wins over what was computed
     * @param inside whether a connection is open now
     */
    public record Attended(Presence presence, Verdict computed, Optional<Mark> byHand, boolean inside) {
        public Verdict verdict() {
            return byHand.map(Mark::verdict).orElse(computed);
        }
    }

    public record Mark(Verdict verdict, String by, Instant at) {}

    private record Connection(long registration, Instant joined, Instant left, boolean open) {
        Interval span() {
            return new Interval(joined, left.isBefore(joined) ? joined : left);
        }
    }

    /**
     * Attendance by registration; who has neither connection nor mark is left out. A connection that is still open counts
     * up to {@code now}.
     */
    public Map<Long, Attended> ofSession(long session, Interval span, Instant now) {
        Map<Long, List<Connection>> connections = connections(CONNECTION.SESSION_ID.eq(session), now).stream()
                .collect(Collectors.groupingBy(Connection::registration));
        Map<Long, Mark> marks = marks(HAND_MARK.SESSION_ID.eq(session));
        Set<Long> checkedIn = checkIns.in(session).keySet();
        Set<Long> everybody = new TreeSet<>(connections.keySet());
        everybody.addAll(marks.keySet());
        everybody.addAll(checkedIn);
        return everybody.stream()
                .collect(Collectors.toMap(
                        Function.identity(),
                        id -> attended(
                                span,
                                connections.getOrDefault(id, List.of()),
                                checkedIn.contains(id),
                                Optional.ofNullable(marks.get(id)))));
    }

    /** Those of these sessions of which anything is known, in two queries. */
    public Set<Long> sessionsWithEvidence(Collection<Long> sessions) {
        Set<Long> known = new TreeSet<>(reads.sql()
                .selectDistinct(CONNECTION.SESSION_ID)
                .from(CONNECTION)
                .where(CONNECTION.SESSION_ID.in(sessions))
                .fetch(CONNECTION.SESSION_ID));
        known.addAll(reads.sql()
                .selectDistinct(HAND_MARK.SESSION_ID)
                .from(HAND_MARK)
                .where(HAND_MARK.SESSION_ID.in(sessions))
                .fetch(HAND_MARK.SESSION_ID));
        known.addAll(checkIns.sessions(sessions));
        return known;
    }

    @Override
    public Optional<Verdict> verdict(long session, long registration, Interval span, Instant now) {
        if (sessionsWithEvidence(List.of(session)).isEmpty()) {
            return Optional.empty();
        }
        List<Connection> theirs =
                connections(CONNECTION.SESSION_ID.eq(session).and(CONNECTION.REGISTRATION_ID.eq(registration)), now);
        Optional<Mark> mark = Optional.ofNullable(
                marks(HAND_MARK.SESSION_ID.eq(session).and(HAND_MARK.REGISTRATION_ID.eq(registration)))
                        .get(registration));
        Interval held = programme.session(session).map(Session::held).orElse(span);
        return Optional.of(attended(held, theirs, checkIns.isIn(session, registration), mark)
                .verdict());
    }

    @Override
    public boolean hasBeenIn(long session, long registration) {
        return checkIns.isIn(session, registration)
                || reads.sql()
                        .fetchExists(
                                CONNECTION,
                                CONNECTION.SESSION_ID.eq(session),
                                CONNECTION.REGISTRATION_ID.eq(registration));
    }

    /** Whoever was ticked off at the entrance has attended, however long they stayed. */
    private static Attended attended(
            Interval span, List<Connection> connections, boolean checkedIn, Optional<Mark> mark) {
        Presence presence =
                Presence.of(span, connections.stream().map(Connection::span).toList());
        return new Attended(
                presence,
                checkedIn ? Verdict.ATTENDED : Verdict.of(presence.share(), Verdict.Thresholds.DEFAULT),
                mark,
                connections.stream().anyMatch(Connection::open));
    }

    private List<Connection> connections(Condition which, Instant now) {
        return reads.sql()
                .select(CONNECTION.REGISTRATION_ID, CONNECTION.JOINED_AT, CONNECTION.LEFT_AT)
                .from(CONNECTION)
                .where(which)
                .fetch(r -> new Connection(
                        r.value1(), r.value2(), Objects.requireNonNullElse(r.value3(), now), r.value3() == null));
    }

    private Map<Long, Mark> marks(Condition which) {
        return reads.sql()
                .selectFrom(HAND_MARK)
                .where(which)
                .fetchMap(
                        HAND_MARK.REGISTRATION_ID,
                        m -> new Mark(Verdict.valueOf(m.getVerdict()), m.getMarkedBy(), m.getMarkedAt()));
    }
}
