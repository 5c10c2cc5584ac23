package jollyroster.core.attendance;

import java.time.Duration;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Spans;

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
        return new Presence(
                session,
                Spans.union(connections.stream()
                        .flatMap(connection -> connection.intersection(session).stream())
                        .toList()));
    }

    public Duration time() {
        return spans.stream().map(Interval::length).reduce(Duration.ZERO, Duration::plus);
    }

    /** From 0 to 1. */
    public double share() {
        return (double) time().toMillis() / session.length().toMillis();
    }
}
