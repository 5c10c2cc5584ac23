package jollyroster.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** A clock that ticks like any other, from a time of its own, and can be wound on. */
@Component
@Profile("demo")
class DemoClock extends Clock {

    /** Wed 10 March 2027, 09:40 in Halifax. */
    static final Instant START = Instant.parse("2027-03-10T13:40:00Z");

    private final Clock real = Clock.systemUTC();
    private final AtomicReference<Duration> ahead = new AtomicReference<>(Duration.between(real.instant(), START));

    private final AtomicReference<Instant> frozen = new AtomicReference<>();

    private final ThreadLocal<Instant> lived = new ThreadLocal<>();

    @Override
    public Instant instant() {
        Instant then = lived.get();
        if (then != null) {
            return then;
        }
        Instant stopped = frozen.get();
        return stopped != null ? stopped : real.instant().plus(ahead.get());
    }

    /** Stops the clock at an instant, so that data comes out the same each time. */
    void stopAt(Instant instant) {
        frozen.set(instant);
    }

    /** Lets the clock tick on from where it was stopped. */
    void go() {
        Instant stopped = frozen.getAndSet(null);
        if (stopped != null) {
            windTo(stopped);
        }
    }

    /** Does something as of an earlier moment; the clock goes on for everybody else. */
    void live(Instant then, Runnable what) {
        lived.set(then);
        try {
            what.run();
        } finally {
            lived.remove();
        }
    }

    /** How far this clock is ahead of the real one; constant while it ticks. */
    Duration ahead() {
        return ahead.get();
    }

    /** Goes on where an earlier process left off. */
    void resume(Duration aheadOfReal) {
        ahead.set(aheadOfReal);
    }

    void windOn(Duration by) {
        ahead.updateAndGet(now -> now.plus(by));
    }

    void windTo(Instant instant) {
        ahead.set(Duration.between(real.instant(), instant));
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        throw new UnsupportedOperationException("The demo clock has instants only");
    }
}
