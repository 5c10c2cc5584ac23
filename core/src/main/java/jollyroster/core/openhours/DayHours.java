package jollyroster.core.openhours;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;

/**
 * The open stretches of one day, in order; none when it is closed. Stretches that abut stay two: the grid of starts begins
 * anew with each.
 */
public record DayHours(List<Stretch> stretches) {

    public static final DayHours CLOSED = new DayHours(List.of());

    /** The most stretches of a day. */
    public static final int MOST = 12;

    /** @throws IllegalArgumentException if two overlap, or if there are more than {@value #MOST} */
    public DayHours {
        stretches = stretches.stream().sorted().toList();
        if (stretches.size() > MOST) {
            throw new IllegalArgumentException("At most " + MOST + " stretches a day: " + stretches.size());
        }
        for (int i = 1; i < stretches.size(); i++) {
            if (stretches.get(i - 1).overlaps(stretches.get(i))) {
                throw new IllegalArgumentException("They overlap: " + stretches);
            }
        }
    }

    public static DayHours of(Stretch... stretches) {
        return new DayHours(List.of(stretches));
    }

    /**
     * When it is open on a day, in order; no two overlap. In the hour that comes twice a stretch begins the first time, unless the
     * one before it lasts until the second.
     */
    public List<Interval> on(LocalDate day, ZoneId zone) {
        List<Interval> open = new ArrayList<>();
        Instant until = Instant.MIN;
        for (Stretch stretch : stretches) {
            Optional<Interval> next = stretch.on(day, zone, until);
            if (next.isPresent()) {
                open.add(next.get());
                until = next.get().end();
            }
        }
        return open;
    }

    /**
     * With one stretch moved, or left out. What it comes to overlap becomes one with it.
     *
     * @param now where it is instead; empty for nowhere
     * @return empty when there is no such stretch
     */
    public Optional<DayHours> with(Stretch before, Optional<Stretch> now) {
        if (!stretches.contains(before)) {
            return Optional.empty();
        }
        List<Stretch> others = new ArrayList<>(stretches);
        others.remove(before);
        if (now.isEmpty()) {
            return Optional.of(new DayHours(others));
        }
        Stretch joined = now.get();
        for (Stretch other : List.copyOf(others)) {
            if (joined.overlaps(other)) {
                others.remove(other);
                joined = new Stretch(Math.min(joined.from(), other.from()), Math.max(joined.until(), other.until()));
            }
        }
        others.add(joined);
        return Optional.of(new DayHours(others));
    }

    /** With more stretches; empty where one of them overlaps another, or there are too many. */
    public Optional<DayHours> and(DayHours more) {
        boolean overlaps =
                more.stretches.stream().anyMatch(some -> stretches.stream().anyMatch(some::overlaps));
        return overlaps || stretches.size() + more.stretches.size() > MOST
                ? Optional.empty()
                : Optional.of(new DayHours(Stream.concat(stretches.stream(), more.stretches.stream())
                        .toList()));
    }

    public boolean isClosed() {
        return stretches.isEmpty();
    }

    public int minutes() {
        return stretches.stream().mapToInt(Stretch::minutes).sum();
    }

    /** {@code 14:00-16:30, 19:00-21:00}, or {@code closed}. */
    @Override
    public String toString() {
        return isClosed() ? "closed" : stretches.stream().map(Stretch::toString).collect(Collectors.joining(", "));
    }
}
