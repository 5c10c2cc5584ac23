package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * Does the same to many things, in groups that are a transaction each, so that others can write in between. What one group
 * holds is done while the caller waits, all of it or nothing; more goes on by itself, can be looked at and left. Should the
 * program end meanwhile, the groups that were done stay done.
 */
@Component
public class LongWork implements DisposableBean {

    /** As many are done at once. */
    public static final int GROUP = 200;

    private static final Logger LOG = LoggerFactory.getLogger(LongWork.class);
    private static final int MOST_WAITING = 10;
    private static final int MOST_KEPT = 100;
    private static final Duration KEPT = Duration.ofHours(2);
    private final TransactionTemplate transaction;
    private final Cache<String, Running> works =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterAccess(KEPT).build();
    private final ExecutorService worker = new ThreadPoolExecutor(
            1, 1, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(MOST_WAITING), work -> new Thread(work, "long-work"));
    private volatile boolean ending;

    LongWork(PlatformTransactionManager transactions) {
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * What is to be done.
     *
     * @param title what it is, as a heading
     * @param back the page that shows what it did
     * @param words what the outcomes so far are, in words
     */
    public record Task<R>(String title, String back, Function<List<R>, Said> words) {}

    /** What came of it. @param warned what was left undone and why; empty for nothing */
    public record Said(String said, String warned) {}

    /** How far it is. @param stopped whether it broke off; what was done before stays */
    public record Progress(String id, String title, String back, int all, int done, boolean stopped, Said said) {

        public boolean isOver() {
            return stopped || done == all;
        }

        /** Where the browser goes now: to the result, with what to say of it, or to see how far it is. */
        public String next(RedirectAttributes flash) {
            if (!isOver()) {
                return "redirect:/desk/work/" + id;
            }
            if (!said.said().isEmpty()) {
                flash.addFlashAttribute("said", said.said());
            }
            if (!said.warned().isEmpty()) {
                flash.addFlashAttribute("warned", said.warned());
            }
            return "redirect:" + back;
        }
    }

    private static final class Running {
        private final Actor actor;
        private volatile Progress progress;

        Running(Actor actor, Progress progress) {
            this.actor = actor;
            this.progress = progress;
        }
    }

    /**
     * Does {@code step} to all of the items. What it throws while the caller waits reaches the caller, and nothing is kept.
     *
     * @param step does it to some, as part of one transaction, and says what came of each
     * @throws Busy when too much is waiting already
     */
    public <T, R> Progress run(Task<R> task, List<T> items, Function<List<T>, List<R>> step, Actor actor) {
        if (items.size() <= GROUP) {
            List<R> came = transaction.execute(status -> step.apply(items));
            return progress(task, "", items.size(), came, false);
        }
        String id = UUID.randomUUID().toString();
        Running running = new Running(actor, progress(task, id, items.size(), List.of(), false));
        works.put(id, running);
        try {
            worker.execute(() -> goOn(task, List.copyOf(items), step, running));
        } catch (RejectedExecutionException full) {
            works.invalidate(id);
            throw new Busy();
        }
        return running.progress;
    }

    /** Too much is waiting to be done. */
    @ResponseStatus(HttpStatus.TOO_MANY_REQUESTS)
    public static final class Busy extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    private <T, R> void goOn(Task<R> task, List<T> items, Function<List<T>, List<R>> step, Running running) {
        String id = running.progress.id();
        List<R> came = new ArrayList<>();
        try {
            for (int from = 0; from < items.size() && !ending; from += GROUP) {
                List<T> group = items.subList(from, Math.min(from + GROUP, items.size()));
                came.addAll(transaction.execute(status -> step.apply(group)));
                running.progress = progress(task, id, items.size(), came, false);
            }
        } catch (RuntimeException broke) {
            LOG.error("{} broke off after {} of {}: {}", task.title(), came.size(), items.size(), broke.toString());
            running.progress = progress(task, id, items.size(), came, true);
        }
    }

    private static <R> Progress progress(Task<R> task, String id, int all, List<R> came, boolean stopped) {
        Said said = task.words().apply(List.copyOf(came));
        return new Progress(id, task.title(), task.back(), all, came.size(), stopped, said);
    }

    /** How far somebody's work is; empty when it is not theirs, or long over. */
    public Optional<Progress> of(String id, Actor actor) {
        return Optional.ofNullable(works.getIfPresent(id))
                .filter(running -> running.actor.equals(actor))
                .map(running -> running.progress);
    }

    @Override
    public void destroy() throws InterruptedException {
        ending = true;
        worker.shutdown();
        worker.awaitTermination(5, TimeUnit.SECONDS);
    }
}
