package jollyroster.platform;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.security.concurrent.DelegatingSecurityContextCallable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Lets writes that arrive at the same time share one transaction, so that a crowd waits for the disk once and not once each.
 * Each is done whole or not at all, behind a savepoint of its own, in the order of arrival; nobody is answered before the
 * commit that keeps what they wrote.
 */
@Component
public class GroupCommit implements DisposableBean {

    private static final int MOST = 64;
    private static final int LONGEST_END_SECONDS = 10;
    private final TransactionTemplate together;
    private final TransactionTemplate each;
    private final BlockingQueue<Write<?>> arrived = new LinkedBlockingQueue<>();
    private final ExecutorService writer = Executors.newSingleThreadExecutor(work -> new Thread(work, "group-commit"));

    GroupCommit(PlatformTransactionManager transactions) {
        this.together = new TransactionTemplate(transactions);
        this.each = new TransactionTemplate(transactions);
        this.each.setPropagationBehavior(TransactionDefinition.PROPAGATION_NESTED);
    }

    /** Runs a write and returns when it is kept for good. Within a transaction it is simply a part of that. */
    public <T> T run(Supplier<T> write) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            return write.get();
        }
        Write<T> mine = new Write<>(new DelegatingSecurityContextCallable<>(write::get));
        arrived.add(mine);
        writer.execute(this::writeArrived);
        return mine.outcome();
    }

    private void writeArrived() {
        List<Write<?>> group = new ArrayList<>();
        try {
            if (!arrived.isEmpty()) {
                together.executeWithoutResult(status -> attemptAll(group));
            }
            group.forEach(Write::answer);
        } catch (RuntimeException | Error lost) {
            if (group.isEmpty()) {
                arrived.drainTo(group, MOST);
            }
            group.forEach(write -> write.fail(lost));
        }
    }

    private void attemptAll(List<Write<?>> group) {
        for (Write<?> next = arrived.poll(); next != null; next = group.size() < MOST ? arrived.poll() : null) {
            group.add(next);
            next.attempt(each);
        }
    }

    @Override
    public void destroy() throws InterruptedException {
        writer.shutdown();
        writer.awaitTermination(LONGEST_END_SECONDS, TimeUnit.SECONDS);
    }

    /** One write of a group: attempted, and answered when the group is kept. */
    private static final class Write<T> {
        private final Callable<T> work;
        private final CompletableFuture<T> answered = new CompletableFuture<>();
        private Runnable answer = () -> {};

        Write(Callable<T> work) {
            this.work = work;
        }

        void attempt(TransactionTemplate each) {
            try {
                T result = each.execute(status -> call());
                answer = () -> answered.complete(result);
            } catch (RuntimeException refused) {
                answer = () -> answered.completeExceptionally(refused);
            }
        }

        private T call() {
            try {
                return work.call();
            } catch (RuntimeException refused) {
                throw refused;
            } catch (Exception never) {
                throw new IllegalStateException(never);
            }
        }

        void answer() {
            answer.run();
        }

        void fail(Throwable lost) {
            answered.completeExceptionally(lost);
        }

        T outcome() {
            try {
                return answered.join();
            } catch (CompletionException e) {
                if (e.getCause() instanceof RuntimeException known) {
                    throw known;
                }
                throw e;
            }
        }
    }
}
