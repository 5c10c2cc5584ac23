package jollyroster.door;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import jollyroster.platform.Networks;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * How often strangers may knock from one network; whoever has a personal link does not knock. This machine itself is not limited, as a
 * proxy on it speaks for everybody; how many wait at a door has an end of its own.
 */
@Component
public class KnockLimit {

    private static final Duration PER = Duration.ofMinutes(10);
    private final LoadingCache<String, Bucket> byNetwork;

    KnockLimit(@Value("${jolly.limits.knocks:60}") int most) {
        this.byNetwork = Caffeine.newBuilder()
                .maximumSize(50_000)
                .expireAfterAccess(PER)
                .build(network -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(most).refillGreedy(most, PER))
                        .build());
    }

    /** @param door at which, in words for the program */
    public boolean mayKnock(String sender, String door) {
        return Networks.isThisMachine(sender)
                || byNetwork.get(Networks.of(sender) + "/" + door).tryConsume(1);
    }
}
