package jollyroster.core.dates;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * A half-open stretch of time, {@code [start, end)}. An empty interval has {@code start == end}.
 *
 * <p>10:00–11:00 and 11:00–12:00 abut and do not overlap.
 */
public record Interval(Instant start, Instant end) {

    /** @throws IllegalArgumentException if {@code end} is before {@code start} */
    public Interval {
        if (end.isBefore(start)) {
            throw new IllegalArgumentException("An interval may not end before it starts: " + start + " / " + end);
        }
    }

    public boolean contains(Instant instant) {
        return !instant.isBefore(start) && instant.isBefore(end);
    }

    public boolean overlaps(Interval other) {
        return start.isBefore(other.end) && other.start.isBefore(end);
    }

    public boolean abuts(Interval other) {
        return end.equals(other.start) || other.end.equals(start);
    }

    /** The stretch both share, or empty when they do not overlap. */
    public Optional<Interval> intersection(Interval other) {
        if (!overlaps(other)) {
            return Optional.empty();
        }
        return Optional.of(new Interval(later(start, other.start), earlier(end, other.end)));
    }

    public Duration length() {
        return Duration.between(start, end);
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }
}
