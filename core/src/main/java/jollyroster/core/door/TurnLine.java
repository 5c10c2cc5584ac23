package jollyroster.core.door;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** The line of those who want a turn with the host: how long one takes, how long one waits, and who keeps a place. */
public final class TurnLine {

    /** Whoever steps out for a moment keeps the place for so long. */
    public static final Duration KEPT = Duration.ofMinutes(5);

    private TurnLine() {}

    /** How long a turn takes: the mean of those of today, at first as planned. */
    public static Duration usual(List<Duration> today, Duration planned) {
        return today.isEmpty()
                ? planned
                : today.stream().reduce(Duration.ZERO, Duration::plus).dividedBy(today.size());
    }

    /**
     * How long somebody waits: a usual turn for each before them, and what the present one may still take.
     *
     * @param running how long the present turn has taken; empty while there is none
     */
    public static Duration expected(int before, Duration usual, Optional<Duration> running) {
        Duration left =
                running.map(usual::minus).filter(rest -> !rest.isNegative()).orElse(Duration.ZERO);
        return left.plus(usual.multipliedBy(before));
    }

    /** Whether somebody who stepped out then still has their place. */
    public static boolean keepsPlace(Instant out, Instant now) {
        return !now.isAfter(out.plus(KEPT));
    }
}
