package jollyroster.core.prices;

import java.time.Duration;
import java.time.Instant;
import java.util.OptionalInt;

/**
 * What cancelling means for the money: all of it back until some time before the start, nothing after (common practice).
 * Whoever's session is cancelled by the organiser has everything back, whatever the rule.
 *
 * <p>Example: until 2,880 minutes before a start on Tue 16 Mar, 19:00, money goes back to whoever cancels before Sun 14 Mar,
 * 19:00 by the hour, and not from that moment on.
 *
 * @param minutes elapsed time before the start; 0 is until the start; empty never gives anything back
 */
public record RefundRule(OptionalInt minutes) {

    public static final RefundRule NONE = new RefundRule(OptionalInt.empty());

    private static final int MOST = 525_600;

    /** @throws IllegalArgumentException if it is less than none, or more than a year */
    public RefundRule {
        if (minutes.isPresent() && (minutes.getAsInt() < 0 || minutes.getAsInt() > MOST)) {
            throw new IllegalArgumentException("Minutes before the start: " + minutes.getAsInt());
        }
    }

    public static RefundRule until(int minutes) {
        return new RefundRule(OptionalInt.of(minutes));
    }

    /** Whether anything goes back at all. */
    public boolean gives() {
        return minutes.isPresent();
    }

    /** The moment from which on nothing goes back. @throws java.util.NoSuchElementException if nothing ever does */
    public Instant ends(Instant start) {
        return start.minus(Duration.ofMinutes(minutes.orElseThrow()));
    }

    public boolean isOwed(Instant start, Instant now) {
        return gives() && now.isBefore(ends(start));
    }
}
