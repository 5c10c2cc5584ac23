package jollyroster.owntime;

import java.time.Instant;

/**
 * Who looks at times, and when: what is held for their browser is free for them.
 *
 * @param browser a number of its own that a browser was given; empty for none
 */
public record Viewer(String browser, Instant now) {

    /** Somebody for whom nothing is held. */
    public static Viewer anybody(Instant now) {
        return new Viewer("", now);
    }
}
