package jollyroster.core.dates;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** A stretch of time cut into equal sessions, one right after the other, with nothing left over. */
public final class Slices {

    private static final int FEWEST = 4;
    private static final long SECOND = 1_000_000;

    private Slices() {}

    /**
     * Cuts a stretch into slices of one length: 10:00–12:00 every 10 minutes is 12 of them (common practice).
     *
     * @param each longer than zero
     * @return empty when {@code each} does not divide the stretch
     */
    public static Optional<List<SessionTime>> every(SessionTime whole, Duration each) {
        if (each.isZero() || each.isNegative()) {
            return Optional.empty();
        }
        boolean divides = whole.length().toSeconds() % each.toSeconds() == 0;
        long parts = whole.length().toSeconds() / each.toSeconds();
        return divides && parts <= TypedDates.MOST_SESSIONS
                ? Optional.of(cut(whole.start(), each, (int) parts))
                : Optional.empty();
    }

    /**
     * Whether sessions are slices of stretches rather than dates of their own: at least four, and more than half of them begin
     * when another of the same length ends. What was moved or added by hand does not count against the rest.
     */
    public static boolean areCut(Collection<Interval> sessions) {
        if (sessions.size() < FEWEST) {
            return false;
        }
        long[] all =
                sessions.stream().mapToLong(Slices::key).distinct().sorted().toArray();
        long following = Arrays.stream(all)
                .filter(one -> Arrays.binarySearch(all, one - SECOND * (one % SECOND)) >= 0)
                .count();
        return all.length >= FEWEST && 2 * following > all.length;
    }

    /** Start and length in one number, as pages with hundreds of dates ask. Nothing that takes more than eleven days is a slice. */
    private static long key(Interval session) {
        long length = Math.min(session.length().toSeconds(), SECOND - 1);
        return session.start().getEpochSecond() * SECOND + length;
    }

    private static List<SessionTime> cut(ZonedDateTime start, Duration each, int parts) {
        return IntStream.range(0, parts)
                .mapToObj(i -> new SessionTime(start.plus(each.multipliedBy(i)), each, SessionTime.Adjustment.NONE))
                .toList();
    }
}
