package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.time.Duration;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * What was read from the store, kept for as long as the tables it came from stay as they are. The number of the tables is
 * taken before reading, so that what changes meanwhile is read again. Of those who ask for the same thing at once, one reads
 * it and the others wait for that.
 */
public final class Remembered<K, V> {

    private static final Duration UNASKED = Duration.ofHours(1);
    private final TableChanges changes;
    private final String[] tables;
    private final LoadingCache<K, Place<V>> places;

    private record Kept<V>(long generation, V value) {}

    private static final class Place<V> {
        private volatile @Nullable Kept<V> kept;

        /** What was read at this number or later. */
        @Nullable
        Kept<V> since(long generation) {
            Kept<V> known = kept;
            return known != null && known.generation() >= generation ? known : null;
        }
    }

    /** @param most how many entries are kept; each for an hour after it was last asked for */
    public Remembered(TableChanges changes, int most, String... tables) {
        this.changes = changes;
        this.tables = tables.clone();
        this.places = Caffeine.newBuilder()
                .maximumSize(most)
                .expireAfterAccess(UNASKED)
                .build(key -> new Place<>());
    }

    public V get(K key, Function<? super K, ? extends V> read) {
        TablesRead.note(tables);
        Place<V> place = places.get(key);
        long asked = changes.generation(tables);
        Kept<V> known = place.since(asked);
        return known != null ? known.value() : readOnce(place, asked, key, read);
    }

    /** Whatever was begun to be read after it was asked for will do, also if it has changed once more since. */
    private V readOnce(Place<V> place, long asked, K key, Function<? super K, ? extends V> read) {
        synchronized (place) {
            Kept<V> known = place.since(asked);
            if (known != null) {
                return known.value();
            }
            long generation = changes.generation(tables);
            V value = read.apply(key);
            place.kept = new Kept<>(generation, value);
            return value;
        }
    }
}
