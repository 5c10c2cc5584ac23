package jollyroster.programme;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * How far the meeting service is with the link of a session.
 *
 * @param room the name the service knows it by, or {@code null} until it is made
 * @param problem what the service said when it last failed; empty when it did not
 * @param askedAgain when the service is asked next, or {@code null}
 */
public record MeetingLink(
        State state,
        @Nullable String room,
        int tries,
        String problem,
        @Nullable Instant askedAgain) {

    /** From nothing asked for to made. */
    public enum State {
        NONE,
        /** Asked for; the service will be asked (again). */
        WANTED,
        MADE,
        /** The service was asked often enough to say so; it is still asked each hour. */
        FAILED
    }
}
