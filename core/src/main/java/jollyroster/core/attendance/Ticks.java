package jollyroster.core.attendance;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BinaryOperator;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Who is in, from ticks that several helpers make and that arrive late, twice or in any order. */
public final class Ticks {

    private static final Comparator<Tick> LATER = Comparator.comparing(Tick::at).thenComparing(Tick::key);

    private static final Duration EARLIEST = Duration.ofDays(1);

    private Ticks() {}

    /**
     * Somebody was ticked off, or the tick was taken back.
     *
     * @param key names this tick on every device
     * @param place in the party: 0 for whoever registered
     */
    public record Tick(String key, int place, boolean in, Instant at) {}

    /** When a tick counts as made, whatever the clock of the device says: not before the day before the start, and not after now. */
    public static Instant made(Instant claimed, Instant start, Instant now) {
        Instant earliest = start.minus(EARLIEST);
        Instant sane = claimed.isBefore(earliest) ? earliest : claimed;
        return sane.isAfter(now) ? now : sane;
    }

    /** Since when each place of a party is in: of each the latest tick holds. */
    public static Map<Integer, Instant> in(Collection<Tick> ofParty) {
        Map<Integer, Tick> latest = ofParty.stream()
                .collect(Collectors.toMap(Tick::place, Function.identity(), BinaryOperator.maxBy(LATER)));
        Map<Integer, Instant> in = new TreeMap<>();
        latest.forEach((place, tick) -> {
            if (tick.in()) {
                in.put(place, tick.at());
            }
        });
        return in;
    }
}
