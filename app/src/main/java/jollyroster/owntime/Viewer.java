package jollyroster.owntime;

import java.time.Instant;

/**
 * Who looks at times, and when: what is held for their browser is free for them, and so is what they give up for another time.
 *
 * @param browser a number of its own that a browser was given; empty for none
 * @param leaving the registration of somebody who moves to another time; 0 for none
 */
public record Viewer(String browser, long leaving, Instant now) {

    public Viewer(String browser, Instant now) {
        this(browser, 0, now);
    }

    /** Somebody who gives up the time they have. */
    public static Viewer leaving(long registration, Instant now) {
        return new Viewer("", registration, now);
    }

    /** Somebody for whom nothing is held. */
    public static Viewer anybody(Instant now) {
        return new Viewer("", now);
    }
}
