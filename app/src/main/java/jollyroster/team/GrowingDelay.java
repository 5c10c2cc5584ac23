package jollyroster.team;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;

/**
 * Tries that go wrong make the next one wait: the first few are free, then each waits twice as long as the one before, up
 * to five minutes. A quarter of an hour without a try forgets them.
 */
final class GrowingDelay {

    private static final Duration LONGEST = Duration.ofMinutes(5);
    private static final Duration FORGOTTEN_AFTER = Duration.ofMinutes(15);
    private final int free;
    private final Cache<String, Tries> tries = Caffeine.newBuilder()
            .maximumSize(20_000)
            .expireAfterWrite(FORGOTTEN_AFTER)
            .build();

    private record Tries(int wrong, Instant next) {}

    /** @param free tries that may go wrong before any waits */
    GrowingDelay(int free) {
        this.free = free;
    }

    /** Counts a try, as a wrong one until {@link #forget} says otherwise. @return whether it may be made now */
    boolean mayTry(String key, Instant now) {
        boolean[] may = {true};
        tries.asMap().compute(key, (k, before) -> {
            if (before != null && now.isBefore(before.next())) {
                may[0] = false;
                return before;
            }
            int wrong = before == null ? 1 : before.wrong() + 1;
            return new Tries(wrong, now.plus(delay(wrong)));
        });
        return may[0];
    }

    private Duration delay(int wrong) {
        int doublings = wrong - free;
        if (doublings < 0) {
            return Duration.ZERO;
        }
        Duration delay = Duration.ofSeconds(1L << Math.min(doublings, 10));
        return delay.compareTo(LONGEST) < 0 ? delay : LONGEST;
    }

    void forget(String key) {
        tries.invalidate(key);
    }
}
