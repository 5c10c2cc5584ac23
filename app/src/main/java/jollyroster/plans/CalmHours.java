package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.chart.RunLine.Calm;
import jollyroster.core.dates.Interval;
import jollyroster.core.messages.Timing;
import jollyroster.core.messages.WritingHours;
import jollyroster.platform.Times;

/** When the people of a session are left alone, on their own clocks, around its start. */
final class CalmHours {

    private static final Duration BEFORE = Duration.ofDays(5);
    private static final Duration AFTER = Duration.ofDays(3);
    private static final Duration STEP = Duration.ofMinutes(15);
    private static final int MOST_CLOCKS = 3;

    private CalmHours() {}

    /** @param clocks of everybody who is registered; the commonest are taken */
    static List<Calm> of(Timing timing, Collection<ZoneId> clocks, WritingHours hours) {
        List<ZoneId> all = clocks.isEmpty() ? List.of(timing.zone()) : commonest(clocks);
        return all.stream()
                .map(zone -> new Calm(Times.city(zone), spans(timing, zone, hours)))
                .filter(calm -> !calm.spans().isEmpty())
                .toList();
    }

    private static List<ZoneId> commonest(Collection<ZoneId> clocks) {
        Map<ZoneId, Long> counts =
                clocks.stream().collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return counts.entrySet().stream()
                .sorted(Map.Entry.<ZoneId, Long>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(entry -> entry.getKey().getId()))
                .limit(MOST_CLOCKS)
                .map(Map.Entry::getKey)
                .toList();
    }

    private static List<Interval> spans(Timing timing, ZoneId zone, WritingHours hours) {
        List<Interval> spans = new ArrayList<>();
        Instant from = timing.hours().start().minus(BEFORE);
        Instant end = timing.hours().end().plus(AFTER);
        Instant began = null;
        for (Instant at = from; at.isBefore(end); at = at.plus(STEP)) {
            boolean calm = !hours.allows(at.atZone(zone));
            if (calm && began == null) {
                began = at;
            } else if (!calm && began != null) {
                spans.add(new Interval(began, at));
                began = null;
            }
        }
        if (began != null) {
            spans.add(new Interval(began, end));
        }
        return spans;
    }
}
