package jollyroster.core.attendance;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import jollyroster.core.dates.Interval;

/**
 * How long a person was present: the union of their connections, clipped to the session.
 *
 * <p>19:00–20:30 with 18:52–19:20, 19:15–19:50 and 20:05–20:41 is 75 minutes, 83.3 % of the session.
 *
 * @param session the planned start to end
 * @param spans what is left of the connections, in order, not overlapping and not abutting
 */
public record Presence(Interval session, List<Interval> spans) {

    public Presence {
        spans = List.copyOf(spans);
    }

    /** @param connections in any order; they may overlap and stick out of the session */
    public static Presence of(Interval session, List<Interval> connections) {
        List<Interval> clipped = connections.stream()
                .flatMap(connection -> connection.intersection(session).stream())
                .sorted(Comparator.comparing(Interval::start))
                .toList();
        List<Interval> union = new ArrayList<>();
        for (Interval next : clipped) {
            add(union, next);
        }
        return new Presence(session, union);
    }

    private static void add(List<Interval> union, Interval next) {
        int last = union.size() - 1;
        if (last < 0 || union.get(last).end().isBefore(next.start())) {
            union.add(next);
            return;
        }
        Instant end = union.get(last).end();
        union.set(last, new Interval(union.get(last).start(), end.isAfter(next.end()) ? end : next.end()));
    }

    public Duration time() {
        return spans.stream().map(Interval::length).reduce(Duration.ZERO, Duration::plus);
    }

    /** From 0 to 1. */
    public double share() {
        return (double) time().toMillis() / session.length().toMillis();
    }
}
