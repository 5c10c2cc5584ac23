package jollyroster.core.openhours;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The open times of all who may lead a time, put together as the choice of hosts has it.
 *
 * @param times of each host, in the order in which they are named
 * @param seats of a time that nobody has picked yet
 */
public record TimeTable<H>(Map<H, OpenTimes> times, HostChoice choice, int seats) {

    /**
     * A time that may be picked.
     *
     * @param hosts who can be had
     * @param free seats that are left with the one who has most
     */
    public record Slot<H>(Instant at, List<H> hosts, int free) {}

    public TimeTable {
        times = new LinkedHashMap<>(times);
    }

    /** The times that may be picked from one day to another, in order. @param until the day after the last */
    public List<Slot<H>> between(LocalDate from, LocalDate until) {
        Map<Instant, List<H>> offered = new TreeMap<>();
        Map<Instant, Integer> free = new TreeMap<>();
        times.forEach((host, open) -> open.between(from, until).stream()
                .filter(OpenTimes.Start::isOffered)
                .forEach(start -> {
                    Instant at = start.at().toInstant();
                    offered.computeIfAbsent(at, some -> new ArrayList<>()).add(host);
                    free.merge(at, start.free() == 0 ? seats : start.free(), Math::max);
                }));
        return offered.entrySet().stream()
                .filter(some -> !choice.offers(some.getValue(), times.size()).isEmpty())
                .map(some -> new Slot<>(some.getKey(), List.copyOf(some.getValue()), free.get(some.getKey())))
                .toList();
    }

    /** Starts of the grid from one day to another that nobody can be had at, as somebody is taken up. @param until the day after the last */
    public SortedSet<Instant> taken(LocalDate from, LocalDate until) {
        SortedSet<Instant> taken = new TreeSet<>();
        times.values()
                .forEach(open -> open.between(from, until).stream()
                        .filter(start -> start.why()
                                .filter(Unoffered.Taken.class::isInstance)
                                .isPresent())
                        .forEach(start -> taken.add(start.at().toInstant())));
        taken.removeIf(at -> !free(at).isEmpty());
        return taken;
    }

    /** All starts of the grid on a day. */
    public List<OpenTimes.Start> starts(H host, LocalDate day) {
        return times.get(host).between(day, day.plusDays(1));
    }

    /** Why a host cannot be had at a moment; empty when they can. */
    public Optional<Unoffered> whyNot(H host, Instant at) {
        return times.get(host).whyNot(at);
    }

    /** Those who can be had at a moment; nobody where all are needed and one cannot. */
    public List<H> free(Instant at) {
        List<H> free = times.keySet().stream()
                .filter(host -> whyNot(host, at).isEmpty())
                .toList();
        return choice.offers(free, times.size());
    }
}
