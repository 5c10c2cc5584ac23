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
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Lets writes that arrive at the same time share one transaction, so that a crowd waits for the disk once and not once each.
 * They run in the order of arrival, and nobody is answered before the commit that keeps what they wrote. If one of them
 * fails, nothing of the group is kept, and each is run once more in a transaction of its own: who fails leaves no trace and
 * disturbs nobody. A write must therefore do nothing but write.
 */
@Component
public class GroupCommit implements DisposableBean {

    private static final int MOST = 64;
    private static final int LONGEST_END_SECONDS = 10;
    private final TransactionTemplate transaction;
    private final BlockingQueue<Write<?>> arrived = new LinkedBlockingQueue<>();
    private final AtomicBoolean awake = new AtomicBoolean();
    private final ExecutorService writer = Executors.newSingleThreadExecutor(work -> new Thread(work, "group-commit"));

    GroupCommit(PlatformTransactionManager transactions) {
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Runs a write and returns when it is kept for good. Within a transaction it is simply a part of that. */
    public <T> T run(Supplier<T> write) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            return write.get();
        }
        Write<T> mine = new Write<>(write::get);
        arrived.add(mine);
        wake();
        return mine.outcome();
    }

    private void wake() {
        if (awake.compareAndSet(false, true)) {
            writer.execute(this::writeArrived);
        }
    }

    /** Goes on until nobody waits; whoever arrives just then wakes the writer again. */
    private void writeArrived() {
        List<Write<?>> group = new ArrayList<>();
        try {
            while (arrived.drainTo(group, MOST) > 0) {
                write(group);
                group.clear();
            }
        } finally {
            awake.set(false);
        }
        if (!arrived.isEmpty()) {
            wake();
        }
    }

    private void write(List<Write<?>> group) {
        if (group.size() > 1 && isKept(group)) {
            group.forEach(Write::answer);
        } else {
            group.forEach(write -> write.runAlone(transaction));
        }
    }

    private boolean isKept(List<Write<?>> group) {
        try {
            transaction.executeWithoutResult(status -> group.forEach(Write::run));
            return true;
        } catch (RuntimeException | Error oneFailed) {
            return false;
        }
    }

    @Override
    public void destroy() throws InterruptedException {
        writer.shutdown();
        writer.awaitTermination(LONGEST_END_SECONDS, TimeUnit.SECONDS);
    }

    private static final class Write<T> {
        private final Callable<T> work;
        private final CompletableFuture<T> answered = new CompletableFuture<>();
        private @Nullable T result;

        Write(Callable<T> work) {
            this.work = work;
        }

        void run() {
            try {
                result = work.call();
            } catch (RuntimeException refused) {
                throw refused;
            } catch (Exception never) {
                throw new IllegalStateException(never);
            }
        }

        void answer() {
            answered.complete(result);
        }

        void runAlone(TransactionTemplate transaction) {
            try {
                transaction.executeWithoutResult(status -> run());
                answer();
            } catch (RuntimeException | Error refused) {
                answered.completeExceptionally(refused);
            }
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
