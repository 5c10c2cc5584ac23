package jollyroster.signup;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.Registration;
import org.springframework.stereotype.Component;

/** Checks the codes that letters carry. After a few wrong ones only the link in the letter helps. */
@Component
class MailedCodes {

    private static final int MOST_TRIES = 5;
    private static final int MOST_HELD = 50_000;
    private static final Duration LONGER_THAN_ANY_HOLD = Duration.ofHours(2);
    private final PersonalLinks links;
    private final LoadingCache<Held, Bucket> tries = Caffeine.newBuilder()
            .maximumSize(MOST_HELD)
            .expireAfterAccess(LONGER_THAN_ANY_HOLD)
            .build(held -> Bucket.builder()
                    .addLimit(limit -> limit.capacity(MOST_TRIES).refillIntervally(MOST_TRIES, LONGER_THAN_ANY_HOLD))
                    .build());

    private record Held(long registration, Instant until) {}

    MailedCodes(PersonalLinks links) {
        this.links = links;
    }

    /** Whether this is the code that was mailed; after too many tries none is. */
    boolean fits(Registration registration, String typed) {
        Optional<Instant> until = registration.hold().until();
        if (until.isEmpty()) {
            return false;
        }
        if (!tries.get(new Held(registration.id(), until.get())).tryConsume(1)) {
            return false;
        }
        String code = links.confirmCode(new Link(registration.id(), registration.generation()), until.get());
        return MessageDigest.isEqual(bytes(code), bytes(typed.replaceAll("[\\s-]", "")));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
