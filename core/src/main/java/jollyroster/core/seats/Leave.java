package jollyroster.core.seats;

import java.time.Duration;
import java.time.Instant;

/**
 * Whether people may do something about their seats themselves, and until how long before the start.
 *
 * @param minutes before the start
 */
public record Leave(boolean given, int minutes) {

    /** Until the start. */
    public static final Leave ALWAYS = new Leave(true, 0);

    public static final Leave NEVER = new Leave(false, 0);

    /** @throws IllegalArgumentException if {@code minutes} is negative */
    public Leave {
        if (minutes < 0) {
            throw new IllegalArgumentException("Before the start, not after it: " + minutes);
        }
    }

    public static Leave untilHours(int hours) {
        return new Leave(true, hours * 60);
    }

    /** From when on they no longer may; {@link Instant#MIN} for never. */
    public Instant ends(Instant start) {
        return given ? start.minus(Duration.ofMinutes(minutes)) : Instant.MIN;
    }
}
