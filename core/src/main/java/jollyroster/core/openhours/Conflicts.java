package jollyroster.core.openhours;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;

/**
 * Finds where one host or one venue is claimed twice at a time. Intervals are half-open: 10:00–11:00 and 11:00–12:00 do
 * not collide. Two busy blocks that overlap are nobody's concern.
 *
 * <p>Takes time in the order of n log n for n claims, plus the number of conflicts.
 */
public final class Conflicts {

    private static final Comparator<Claim> BY_START =
            Comparator.comparing((Claim claim) -> claim.padded().start()).thenComparing(Claim::id);
    private static final Comparator<Claim> BY_END =
            Comparator.comparing(claim -> claim.padded().end());

    private Conflicts() {}

    /** All conflicts in order of when they begin. */
    public static List<Conflict> among(Collection<Claim> claims) {
        Map<Claim.Owner, List<Claim>> byOwner = claims.stream().collect(Collectors.groupingBy(Claim::owner));
        List<Conflict> found = new ArrayList<>();
        byOwner.values().forEach(own -> sweep(own, found));
        found.sort(Comparator.comparing((Conflict c) -> c.overlap().start())
                .thenComparing(c -> c.first().id())
                .thenComparing(c -> c.second().id()));
        return List.copyOf(found);
    }

    /** Walks along the line of time; what has not ended when the next begins overlaps it. */
    private static void sweep(List<Claim> own, List<Conflict> found) {
        PriorityQueue<Claim> running = new PriorityQueue<>(BY_END);
        for (Claim next : own.stream().sorted(BY_START).toList()) {
            Instant start = next.padded().start();
            while (!running.isEmpty() && !running.peek().padded().end().isAfter(start)) {
                running.poll();
            }
            for (Claim earlier : running) {
                addIfReal(earlier, next, found);
            }
            running.add(next);
        }
    }

    private static void addIfReal(Claim earlier, Claim next, List<Conflict> found) {
        boolean noSession = earlier.kind() != Claim.Kind.SESSION && next.kind() != Claim.Kind.SESSION;
        boolean theSame = earlier.kind() == next.kind() && earlier.id() == next.id();
        if (!noSession && !theSame) {
            earlier.padded()
                    .intersection(next.padded())
                    .ifPresent((Interval overlap) -> found.add(new Conflict(earlier, next, overlap)));
        }
    }
}
