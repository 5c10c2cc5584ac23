package jollyroster.outbox;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Function;
import jollyroster.platform.NotDelivered;
import org.jspecify.annotations.Nullable;

/** Messages that are handed over one after another, on a thread of the service that takes them. */
final class Round implements Callable<Boolean> {

    /** What was written longer ago is written anew, as things may have changed since. */
    private static final long FRESH_NANOS = 1_000_000_000L;

    private final List<Ready> messages;
    private final Function<Claim, Optional<Ready>> anew;
    private final List<Outcome> outcomes = new CopyOnWriteArrayList<>();
    private volatile boolean stopped;

    /** A message that is written. */
    record Ready(Claim claim, Carrier.Parcel parcel, long writtenNanos) {

        Ready(Claim claim, Carrier.Parcel parcel) {
            this(claim, parcel, System.nanoTime());
        }

        private boolean isFresh() {
            return System.nanoTime() - writtenNanos < FRESH_NANOS;
        }
    }

    /** What became of a message. @param trouble {@code null} where there was none @param gone whether it was handed over */
    record Outcome(Claim claim, boolean gone, @Nullable Exception trouble) {

        private boolean isOutage() {
            return trouble instanceof NotDelivered why && why.kind() == NotDelivered.Kind.OUTAGE;
        }
    }

    /** @param anew writes a message once more; empty where it is not to go any longer */
    Round(List<Ready> messages, Function<Claim, Optional<Ready>> anew) {
        this.messages = messages;
        this.anew = anew;
    }

    @Override
    public Boolean call() {
        for (Ready message : messages) {
            if (stopped) {
                return false;
            }
            Outcome outcome = handOver(message);
            outcomes.add(outcome);
            if (outcome.isOutage()) {
                return false;
            }
        }
        return true;
    }

    private Outcome handOver(Ready message) {
        try {
            Optional<Ready> fresh = message.isFresh() ? Optional.of(message) : anew.apply(message.claim());
            if (fresh.isPresent()) {
                fresh.get().parcel().handOver();
            }
            return new Outcome(message.claim(), fresh.isPresent(), null);
        } catch (NotDelivered | RuntimeException trouble) {
            return new Outcome(message.claim(), false, trouble);
        }
    }

    /** No further message is begun. */
    void stop() {
        stopped = true;
    }

    long done() {
        return outcomes.size();
    }

    /** Whether the service turned out to take nothing at the moment. */
    boolean metOutage() {
        return outcomes.stream().anyMatch(Outcome::isOutage);
    }

    List<Outcome> outcomes() {
        return List.copyOf(outcomes);
    }

    /** Those of which nothing has become. @param known how many outcomes were dealt with */
    List<Claim> rest(int known) {
        return messages.stream().skip(known).map(Ready::claim).toList();
    }
}
