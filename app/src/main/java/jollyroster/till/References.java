package jollyroster.till;

import java.security.SecureRandom;
import java.util.Base64;

/** Names of payments and refunds that nobody can guess. */
final class References {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int BYTES = 18;

    private References() {}

    static String fresh() {
        byte[] random = new byte[BYTES];
        RANDOM.nextBytes(random);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(random);
    }
}
