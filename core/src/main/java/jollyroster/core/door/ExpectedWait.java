package jollyroster.core.door;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

/** How long somebody at a door may expect to wait, from how long others did. */
public final class ExpectedWait {

    private static final Duration SHORTEST = Duration.ofMinutes(1);

    private ExpectedWait() {}

    /** The median of the waits, in whole minutes; empty where there are none or where it is under a minute. */
    public static Optional<Duration> ofOthers(List<Duration> waits) {
        if (waits.isEmpty()) {
            return Optional.empty();
        }
        Duration median = waits.stream().sorted().toList().get(waits.size() / 2);
        return Optional.of(Duration.ofMinutes((median.toSeconds() + 30) / 60)).filter(d -> d.compareTo(SHORTEST) >= 0);
    }
}
