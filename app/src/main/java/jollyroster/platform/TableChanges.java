package jollyroster.platform;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionExecution;
import org.springframework.transaction.TransactionExecutionListener;

/**
 * Counts changes to tables, so that what was read from them can be kept until the next one. The store tells of each row as
 * it changes; a table counts again when the transaction ends, either way, because until then readers see the old rows.
 *
 * <p>Tables without a rowid are not told of; what changes them must change a row of another table that counts.
 */
@Component
public class TableChanges implements TransactionExecutionListener {

    private final Map<String, AtomicLong> counts = new ConcurrentHashMap<>();
    private final Set<String> changing = ConcurrentHashMap.newKeySet();

    /** Called by the store for each row that changes on the one writing connection. */
    void changed(String table) {
        count(table).incrementAndGet();
        changing.add(table);
    }

    private AtomicLong count(String table) {
        return counts.computeIfAbsent(table, name -> new AtomicLong());
    }

    /** How things stand now, to be compared with later. */
    public Snapshot snapshot() {
        Map<String, Long> now = new HashMap<>();
        counts.forEach((table, count) -> now.put(table, count.get()));
        return new Snapshot(now);
    }

    /** How many changes each table had seen. */
    public final class Snapshot {
        private final Map<String, Long> seen;

        private Snapshot(Map<String, Long> seen) {
            this.seen = seen;
        }

        /** Whether none of these tables has changed since. */
        public boolean holdsFor(Set<String> tables) {
            return tables.stream().allMatch(t -> count(t).get() == seen.getOrDefault(t, 0L));
        }
    }

    /** A number that is never the same again after a row of one of these tables has changed. */
    public long generation(String... tables) {
        long sum = 0;
        for (String table : tables) {
            sum += count(table).get();
        }
        return sum;
    }

    @Override
    public void afterCommit(TransactionExecution transaction, @Nullable Throwable failure) {
        ended();
    }

    @Override
    public void afterRollback(TransactionExecution transaction, @Nullable Throwable failure) {
        ended();
    }

    private void ended() {
        for (String table : changing) {
            count(table).incrementAndGet();
        }
        changing.clear();
    }
}
