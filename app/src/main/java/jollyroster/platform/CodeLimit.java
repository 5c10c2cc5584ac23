package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.springframework.stereotype.Component;

/** How often a mailed code may be guessed: of a million, five in ten minutes for each thing it is for. */
@Component
public class CodeLimit {

    private static final int MOST = 5;
    private static final Duration PER = Duration.ofMinutes(10);
    private final LoadingCache<String, Bucket> byLink = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterAccess(PER)
            .build(link -> Bucket.builder()
                    .addLimit(limit -> limit.capacity(MOST).refillGreedy(MOST, PER))
                    .build());

    public boolean mayTry(String what) {
        return byLink.get(what).tryConsume(1);
    }
}
