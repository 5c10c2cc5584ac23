package jollyroster.core.dates;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/** Stretches of time taken together: what is covered by any of them is counted once. */
public final class Spans {

    private Spans() {}

    /** The same time as stretches in order, none of which overlap or abut. */
    public static List<Interval> union(Collection<Interval> spans) {
        List<Interval> union = new ArrayList<>();
        spans.stream().sorted(Comparator.comparing(Interval::start)).forEach(next -> add(union, next));
        return union;
    }

    private static void add(List<Interval> union, Interval next) {
        int last = union.size() - 1;
        if (last < 0 || union.get(last).end().isBefore(next.start())) {
            union.add(next);
        } else if (next.end().isAfter(union.get(last).end())) {
            union.set(last, new Interval(union.get(last).start(), next.end()));
        }
    }

    /** How much of some stretches, none of which overlap, is covered by others. */
    public static Duration covered(Collection<Interval> stretches, Collection<Interval> by) {
        List<Interval> union = union(by);
        return stretches.stream()
                .flatMap(stretch -> union.stream().flatMap(span -> stretch.intersection(span).stream()))
                .map(Interval::length)
                .reduce(Duration.ZERO, Duration::plus);
    }
}
