package jollyroster.owntime;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.openhours.TimeRules;
import jollyroster.core.openhours.Unoffered;
import jollyroster.owntime.HostClaimQueries.Claims;
import jollyroster.owntime.HostClaimQueries.Led;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;

/** The open times of all who may lead a time of an offering, put together as the offering has it. */
final class HostTimes {

    private final Offering offering;
    private final OwnTime own;
    private final Map<Host, OpenTimes> times = new LinkedHashMap<>();
    private final Map<Host, List<Led>> shared = new LinkedHashMap<>();

    /** @param hosts who may lead a time, in the order in which they are named */
    HostTimes(Offering offering, OwnTime own, List<Host> hosts, Claims claims, Instant now) {
        this.offering = offering;
        this.own = own;
        TimeRules rules = own.rules(offering);
        for (Host host : hosts) {
            List<Led> given = claims.led().stream()
                    .filter(led -> led.host() == host.id() && led.offering() == offering.id())
                    .toList();
            List<Instant> held = claims.held().stream()
                    .filter(some -> some.host() == host.id() && some.offering() == offering.id())
                    .map(some -> some.span().start())
                    .toList();
            List<Led> open = given.stream()
                    .filter(led -> left(led, held) > 0 && led.span().length().equals(rules.length()))
                    .toList();
            Map<Instant, Integer> left = open.stream()
                    .collect(Collectors.toMap(led -> led.span().start(), led -> left(led, held), Math::max));
            List<Instant> starts = Stream.concat(
                            given.stream().map(led -> led.span().start()), held.stream())
                    .distinct()
                    .toList();
            shared.put(host, open);
            times.put(
                    host,
                    new OpenTimes(
                            own.hours(),
                            offering.zone(),
                            rules,
                            new OpenTimes.Host(claims.of(host.id()), starts, left),
                            now));
        }
    }

    /** What is held is a seat less in a time that others have picked already. */
    private static int left(Led led, List<Instant> held) {
        return led.left() - Collections.frequency(held, led.span().start());
    }

    /** The times that may be picked from one day to another, in order. @param until the day after the last */
    List<OpenTime> between(LocalDate from, LocalDate until) {
        Map<Instant, List<Host>> offered = new TreeMap<>();
        Map<Instant, Integer> free = new TreeMap<>();
        times.forEach((host, open) -> open.between(from, until).stream()
                .filter(OpenTimes.Start::isOffered)
                .forEach(start -> {
                    Instant at = start.at().toInstant();
                    offered.computeIfAbsent(at, some -> new ArrayList<>()).add(host);
                    free.merge(at, start.free() == 0 ? seats() : start.free(), Math::max);
                }));
        return offered.entrySet().stream()
                .filter(some ->
                        !own.choice().offers(some.getValue(), times.size()).isEmpty())
                .map(some -> new OpenTime(
                        some.getKey().atZone(offering.zone()),
                        own.rules(offering).length(),
                        some.getValue(),
                        free.get(some.getKey())))
                .toList();
    }

    /** Starts of the grid from one day to another that nobody can be had at, as somebody is taken up. @param until the day after the last */
    SortedSet<Instant> taken(LocalDate from, LocalDate until) {
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

    private int seats() {
        return Math.max(1, offering.seats() - offering.rules().keptBack());
    }

    /** All starts of the grid on a day. */
    List<OpenTimes.Start> starts(Host host, LocalDate day) {
        return times.get(host).between(day, day.plusDays(1));
    }

    /** Why a host cannot be had at a moment; empty when they can. */
    Optional<Unoffered> whyNot(Host host, Instant at) {
        return times.get(host).whyNot(at);
    }

    /** Those who can be had at a moment; nobody where all are needed and one cannot. */
    List<Host> free(Instant at) {
        List<Host> free = times.keySet().stream()
                .filter(host -> whyNot(host, at).isEmpty())
                .toList();
        return own.choice().offers(free, times.size());
    }

    /** A time of this offering that a host leads then and that has seats left. */
    Optional<Led> shared(Host host, Instant at) {
        return shared.getOrDefault(host, List.of()).stream()
                .filter(led -> led.span().start().equals(at))
                .findFirst();
    }
}
