package jollyroster.platform;

import static jollyroster.platform.tables.Tables.PULSE;

import java.io.File;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Whether the store can be written: with a write, not a guess, and space enough to go on. An answer holds for some seconds,
 * so that whoever asks often costs nothing; the file as a whole is looked through now and then.
 */
@Component
class StoreHealth implements HealthIndicator {

    private static final Logger LOG = LoggerFactory.getLogger(StoreHealth.class);
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    private static final long HOLDS_NANOS = Duration.ofSeconds(5).toNanos();
    private static final long LOOKED_THROUGH_NANOS = Duration.ofMinutes(10).toNanos();
    private static final long LEAST_SPACE = 50_000_000;
    private final Writes writes;
    private final Reads reads;
    private final TransactionTemplate transaction;
    private final OutsideService store;
    private final File folder;
    private final Clock clock;
    private final AtomicReference<Optional<Answer>> last = new AtomicReference<>(Optional.empty());
    private volatile long lookedThrough = System.nanoTime() - LOOKED_THROUGH_NANOS;

    private record Answer(long at, Health health) {}

    StoreHealth(
            Writes writes,
            Reads reads,
            TransactionTemplate transaction,
            @Value("${jolly.data}") String folder,
            Clock clock) {
        this.writes = writes;
        this.reads = reads;
        this.transaction = transaction;
        this.folder = new File(folder);
        this.clock = clock;
        this.store = new OutsideService("store", PATIENCE, 2, clock);
    }

    @Override
    public Health health() {
        long now = System.nanoTime();
        Optional<Answer> known = last.get().filter(a -> now - a.at() < HOLDS_NANOS);
        return known.map(Answer::health).orElseGet(() -> {
            Health health = problem()
                    .map(problem -> Health.down().withDetail("problem", problem).build())
                    .orElseGet(() -> Health.up().build());
            last.set(Optional.of(new Answer(now, health)));
            return health;
        });
    }

    private Optional<String> problem() {
        if (folder.getUsableSpace() < LEAST_SPACE) {
            return Optional.of("The disk is nearly full.");
        }
        try {
            return store.call(this::tried);
        } catch (OutsideService.NoAnswer slow) {
            return Optional.of("The store cannot be written: it is locked.");
        } catch (ExecutionException bad) {
            LOG.error("The store cannot be written: {}", String.valueOf(bad.getCause()));
            return Optional.of("The store cannot be written.");
        }
    }

    private Optional<String> tried() {
        transaction.executeWithoutResult(status -> writes.sql()
                .insertInto(PULSE)
                .set(PULSE.ID, 1L)
                .set(PULSE.BEATEN_AT, clock.instant())
                .onDuplicateKeyUpdate()
                .set(PULSE.BEATEN_AT, clock.instant())
                .execute());
        long now = System.nanoTime();
        if (now - lookedThrough < LOOKED_THROUGH_NANOS) {
            return Optional.empty();
        }
        String found = String.valueOf(reads.sql().fetchValue("PRAGMA quick_check(1)"));
        if (found.equals("ok")) {
            lookedThrough = now;
            return Optional.empty();
        }
        return Optional.of("The store is damaged.");
    }
}
