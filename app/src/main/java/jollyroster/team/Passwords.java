package jollyroster.team;

import java.nio.charset.StandardCharsets;

/** What a password must be. BCrypt reads the first 72 bytes, so no more are taken. */
final class Passwords {

    static final String RULE = "Choose a password of 10 to 72 characters.";
    private static final int SHORTEST = 10;
    private static final int MOST_BYTES = 72;

    private Passwords() {}

    static boolean isFit(String password) {
        return password.length() >= SHORTEST && password.getBytes(StandardCharsets.UTF_8).length <= MOST_BYTES;
    }
}
