package jollyroster;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** A clock that stands still until it is moved. It starts on Wed 10 March 2027, 09:40 in Halifax. */
public final class TestClock extends Clock {

    public static final Instant START = Instant.parse("2027-03-10T13:40:00Z");
    private final AtomicReference<Instant> now = new AtomicReference<>(START);

    /** Puts the clock into an application under test. */
    @TestConfiguration
    public static class Config {
        @Bean
        @Primary
        TestClock testClock() {
            return new TestClock();
        }
    }

    public void set(Instant instant) {
        now.set(instant);
    }

    public void windOn(Duration by) {
        now.updateAndGet(at -> at.plus(by));
    }

    @Override
    public Instant instant() {
        return now.get();
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException();
    }
}
