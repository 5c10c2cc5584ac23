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
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Computes attendance from the evidence. */
@Component
public class AttendanceQueries {

    private final Reads reads;

    AttendanceQueries(Reads reads) {
        this.reads = reads;
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
        Map<Long, List<Connection>> connections = connections(session, now);
        Map<Long, Mark> marks = marks(session);
        Set<Long> everybody = new TreeSet<>(connections.keySet());
        everybody.addAll(marks.keySet());
        return everybody.stream()
                .collect(Collectors.toMap(
                        Function.identity(),
                        id -> attended(
                                span, connections.getOrDefault(id, List.of()), Optional.ofNullable(marks.get(id)))));
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
        return known;
    }

    private static Attended attended(Interval span, List<Connection> connections, Optional<Mark> mark) {
        Presence presence =
                Presence.of(span, connections.stream().map(Connection::span).toList());
        return new Attended(
                presence,
                Verdict.of(presence.share(), Verdict.Thresholds.DEFAULT),
                mark,
                connections.stream().anyMatch(Connection::open));
    }

    private Map<Long, List<Connection>> connections(long session, Instant now) {
        return reads
                .sql()
                .select(CONNECTION.REGISTRATION_ID, CONNECTION.JOINED_AT, CONNECTION.LEFT_AT)
                .from(CONNECTION)
                .where(CONNECTION.SESSION_ID.eq(session))
                .fetch(r -> new Connection(
                        r.value1(), r.value2(), Objects.requireNonNullElse(r.value3(), now), r.value3() == null))
                .stream()
                .collect(Collectors.groupingBy(Connection::registration));
    }

    private Map<Long, Mark> marks(long session) {
        return reads.sql()
                .selectFrom(HAND_MARK)
                .where(HAND_MARK.SESSION_ID.eq(session))
                .fetchMap(
                        HAND_MARK.REGISTRATION_ID,
                        m -> new Mark(Verdict.valueOf(m.getVerdict()), m.getMarkedBy(), m.getMarkedAt()));
    }
}
