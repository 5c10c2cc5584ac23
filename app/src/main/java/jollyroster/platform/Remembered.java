package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Function;

/**
 * What was read from the store, kept for as long as the tables it came from stay as they are. The number of the tables is
 * taken before reading, so that what changes meanwhile is read again.
 */
public final class Remembered<K, V> {

    private final TableChanges changes;
    private final String[] tables;
    private final Cache<K, Kept<V>> kept;

    private record Kept<V>(long generation, V value) {}

    /** @param most how many entries are kept */
    public Remembered(TableChanges changes, int most, String... tables) {
        this.changes = changes;
        this.tables = tables.clone();
        this.kept = Caffeine.newBuilder().maximumSize(most).build();
    }

    public V get(K key, Function<? super K, ? extends V> read) {
        long generation = changes.generation(tables);
        Kept<V> known = kept.getIfPresent(key);
        if (known != null && known.generation() == generation) {
            return known.value();
        }
        V value = read.apply(key);
        kept.put(key, new Kept<>(generation, value));
        return value;
    }
}
