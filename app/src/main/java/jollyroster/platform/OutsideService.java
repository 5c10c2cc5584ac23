package jollyroster.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A service outside of the program: mail, meetings, calendars of others. A call has a limit as a whole, whatever the service
 * does meanwhile, and threads of its own, so that a slow service holds up nobody else. After an outage it is left alone for a
 * while, each time twice as long, up to five minutes.
 */
public final class OutsideService {

    private static final Logger LOG = LoggerFactory.getLogger(OutsideService.class);
    private static final Duration FIRST_REST = Duration.ofSeconds(10);
    private static final Duration LONGEST_REST = Duration.ofMinutes(5);
    private static final long IDLE_SECONDS = 60;
    private final String name;
    private final Duration limit;
    private final Clock clock;
    private final ThreadPoolExecutor threads;
    private volatile Standing standing = new Standing(null, 0, Instant.EPOCH);

    /** @param since of the outage; {@code null} while all is well */
    private record Standing(@Nullable Instant since, int failures, Instant restsUntil) {}

    /**
     * @param name as people read it: {@code mail server}
     * @param limit of each call
     * @param most calls under way at once; more are refused as if the service did not answer
     */
    public OutsideService(String name, Duration limit, int most, Clock clock) {
        this.name = name;
        this.limit = limit;
        this.clock = clock;
        this.threads =
                new ThreadPoolExecutor(0, most, IDLE_SECONDS, TimeUnit.SECONDS, new SynchronousQueue<>(), work -> {
                    Thread thread = new Thread(work, name.replace(' ', '-'));
                    thread.setDaemon(true);
                    return thread;
                });
    }

    /** The service did not answer in time, or not at all. */
    public static final class NoAnswer extends Exception {
        private static final long serialVersionUID = 1L;

        NoAnswer(String why) {
            super(why);
        }
    }

    /** What the service answers; empty when it does not, in time or at all, which counts as an outage. */
    public <T> Optional<T> ask(Callable<T> question) {
        try {
            return Optional.of(call(question));
        } catch (NoAnswer slow) {
            return Optional.empty();
        } catch (ExecutionException outage) {
            failed();
            LOG.warn("The {} failed: {}", name, String.valueOf(outage.getCause()));
            return Optional.empty();
        }
    }

    public String name() {
        return name;
    }

    /** The longest a call may take. */
    public Duration limit() {
        return limit;
    }

    /** Since when the service has not answered; empty while all is well. */
    public Optional<Instant> outSince() {
        return Optional.ofNullable(standing.since());
    }

    /** Whether it is left alone just now. */
    public boolean isResting() {
        return clock.instant().isBefore(standing.restsUntil());
    }

    /**
     * Calls the service.
     *
     * @throws NoAnswer if it does not answer within the limit, or too many calls are under way
     * @throws ExecutionException with what the call threw; that is not an outage unless {@link #failed} says so
     */
    public <T> T call(Callable<T> work) throws NoAnswer, ExecutionException {
        return begin(work, () -> 0).await();
    }

    /**
     * Begins work that is many calls, one after another; each of them may take as long as a call.
     *
     * @param done how many have come to an end
     */
    public <T> Course<T> begin(Callable<T> work, LongSupplier done) throws NoAnswer {
        try {
            return new Course<>(threads.submit(work), done);
        } catch (RejectedExecutionException tooMany) {
            throw new NoAnswer("too many calls to the " + name + " are under way");
        }
    }

    /** Calls under way. */
    public final class Course<T> {
        private final Future<T> answer;
        private final LongSupplier done;

        private Course(Future<T> answer, LongSupplier done) {
            this.answer = answer;
            this.done = done;
        }

        /** @throws NoAnswer if one of them does not answer within the limit; what is under way is broken off */
        public T await() throws NoAnswer, ExecutionException {
            try {
                for (long ended = done.getAsLong(); ; ended = done.getAsLong()) {
                    try {
                        T result = answer.get(limit.toMillis(), TimeUnit.MILLISECONDS);
                        answered();
                        return result;
                    } catch (TimeoutException slow) {
                        if (done.getAsLong() == ended) {
                            answer.cancel(true);
                            failed();
                            throw new NoAnswer("the " + name + " did not answer");
                        }
                    }
                }
            } catch (InterruptedException stopping) {
                answer.cancel(true);
                Thread.currentThread().interrupt();
                throw new NoAnswer("the program was stopped meanwhile");
            }
        }
    }

    private void answered() {
        if (standing.since() != null) {
            standing = new Standing(null, 0, Instant.EPOCH);
        }
    }

    /** The service is out: it is left alone for a while. */
    public synchronized void failed() {
        Instant now = clock.instant();
        Instant since = standing.since() == null ? now : standing.since();
        Duration rest = FIRST_REST.multipliedBy(1L << Math.min(standing.failures(), 10));
        standing = new Standing(
                since, standing.failures() + 1, now.plus(rest.compareTo(LONGEST_REST) < 0 ? rest : LONGEST_REST));
    }
}
