package jollyroster.core.openhours;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.core.dates.Interval;

/**
 * What one host is taken up by, made ready to be asked many times. Making it ready takes n log n time for n claims, asking
 * takes log n.
 */
final class Claims {

    private final Function<Claim, Interval> reach;
    private final List<Claim> byStart;

    /** Of the claims up to each place, the one that ends last. */
    private final Claim[] endsLast;

    /** @param reach the span of a claim that counts, with or without what is kept free */
    Claims(Collection<Claim> claims, Function<Claim, Interval> reach) {
        this.reach = reach;
        this.byStart = claims.stream()
                .sorted(Comparator.comparing((Claim c) -> reach.apply(c).start())
                        .thenComparing(c -> reach.apply(c).end())
                        .thenComparing(Claim::kind)
                        .thenComparing(Claim::id))
                .toList();
        this.endsLast = new Claim[byStart.size()];
        for (int i = 0; i < endsLast.length; i++) {
            Claim claim = byStart.get(i);
            boolean later = i == 0 || end(claim).isAfter(end(endsLast[i - 1]));
            endsLast[i] = later ? claim : endsLast[i - 1];
        }
    }

    private Instant end(Claim claim) {
        return reach.apply(claim).end();
    }

    /** What is there in a stretch of time, if anything: of several, the one that lasts longest. */
    Optional<Claim> in(Interval span) {
        int before = beginningBefore(span.end());
        return before > 0 && end(endsLast[before - 1]).isAfter(span.start())
                ? Optional.of(endsLast[before - 1])
                : Optional.empty();
    }

    private int beginningBefore(Instant end) {
        int low = 0;
        int high = byStart.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (reach.apply(byStart.get(middle)).start().isBefore(end)) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
