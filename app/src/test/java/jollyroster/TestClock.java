package jollyroster;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.test.context.junit.jupiter.SpringExtension;

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

    /** Winds the clock back after each test, so that no test depends on those before it. */
    public static final class WoundBack implements AfterEachCallback {
        @Override
        public void afterEach(ExtensionContext context) {
            SpringExtension.getApplicationContext(context)
                    .getBean(TestClock.class)
                    .set(START);
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
