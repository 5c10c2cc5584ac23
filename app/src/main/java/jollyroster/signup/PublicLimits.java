package jollyroster.signup;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import jollyroster.platform.Networks;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * How much may be asked for through the public forms. Letters go to whoever's address was typed, so an address has few; a
 * network has many, as three hundred people may stand behind one and race for seats; a registration's own page has what one
 * person can do in an hour. This machine itself is not limited by network: a proxy on it speaks for everybody.
 */
@Component
class PublicLimits {

    private static final Duration HOUR = Duration.ofHours(1);
    private static final Duration TEN_MINUTES = Duration.ofMinutes(10);
    private final LoadingCache<String, Bucket> byRecipient;
    private final LoadingCache<String, Bucket> byNetwork = buckets(1000, TEN_MINUTES);
    private final LoadingCache<String, Bucket> byNetworkAndSession = buckets(500, TEN_MINUTES);
    private final LoadingCache<String, Bucket> picksByNetwork = buckets(30, TEN_MINUTES);
    private final LoadingCache<Long, Bucket> byRegistration = buckets(40, HOUR);

    /** @param letters that an address may get in an hour through forms that anybody can send */
    PublicLimits(@Value("${jolly.limits.letters:12}") int letters) {
        this.byRecipient = buckets(letters, HOUR);
    }

    private static <K> LoadingCache<K, Bucket> buckets(int most, Duration per) {
        return Caffeine.newBuilder()
                .maximumSize(50_000)
                .expireAfterAccess(per)
                .build(key -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(most).refillGreedy(most, per))
                        .build());
    }

    /** Whether a form that writes to an address may be taken. @param session 0 when it is about none */
    boolean mayWrite(String recipient, long session, String sender) {
        return mayAsk(session, sender) && byRecipient.get(recipient).tryConsume(1);
    }

    private boolean mayAsk(long session, String sender) {
        if (Networks.isThisMachine(sender)) {
            return true;
        }
        String network = Networks.of(sender);
        return byNetwork.get(network).tryConsume(1)
                && (session == 0
                        || byNetworkAndSession.get(network + "/" + session).tryConsume(1));
    }

    /** Whether a time may be held for somebody. Whoever comes with too many may pick as well, and has nothing held. */
    boolean mayHold(String sender) {
        return Networks.isThisMachine(sender)
                || picksByNetwork.get(Networks.of(sender)).tryConsume(1);
    }

    /** Whether something more may be done on the own page of a registration. */
    boolean mayChange(long registration) {
        return byRegistration.get(registration).tryConsume(1);
    }
}
