package jollyroster.demo;

import static jollyroster.platform.tables.Tables.DEMO_CLOCK;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Writes;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Remembers how far the demo's clock was wound, so that a restart goes on from there. */
@Component
@Profile("demo")
class DemoClockCommands {

    private final Writes writes;

    DemoClockCommands(Writes writes) {
        this.writes = writes;
    }

    @Transactional
    void remember(Duration ahead) {
        writes.sql()
                .insertInto(DEMO_CLOCK)
                .set(DEMO_CLOCK.ID, 1L)
                .set(DEMO_CLOCK.AHEAD_MILLIS, ahead.toMillis())
                .onConflict(DEMO_CLOCK.ID)
                .doUpdate()
                .set(DEMO_CLOCK.AHEAD_MILLIS, ahead.toMillis())
                .execute();
    }

    /** What has been lived is not lived again after a restart. */
    @Transactional
    void rememberLife(Instant until) {
        writes.sql().update(DEMO_CLOCK).set(DEMO_CLOCK.LIVED_UNTIL, until).execute();
    }

    @Transactional
    Optional<Instant> livedUntil() {
        return writes.sql().select(DEMO_CLOCK.LIVED_UNTIL).from(DEMO_CLOCK).fetchOptional(DEMO_CLOCK.LIVED_UNTIL);
    }

    @Transactional
    Optional<Duration> remembered() {
        return writes.sql()
                .select(DEMO_CLOCK.AHEAD_MILLIS)
                .from(DEMO_CLOCK)
                .fetchOptional(r -> Duration.ofMillis(r.value1()));
    }
}
