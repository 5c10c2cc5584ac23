package jollyroster.owntime;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import jollyroster.core.openhours.HostChoice;
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
            List<Led> open = given.stream()
                    .filter(led -> led.left() > 0 && led.span().length().equals(rules.length()))
                    .toList();
            Map<Instant, Integer> left =
                    open.stream().collect(Collectors.toMap(led -> led.span().start(), Led::left, Math::max));
            List<Instant> starts = given.stream().map(led -> led.span().start()).toList();
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
                .filter(some -> own.choice() != HostChoice.ALL_TOGETHER
                        || some.getValue().size() == times.size())
                .map(some -> new OpenTime(
                        some.getKey().atZone(offering.zone()),
                        own.rules(offering).length(),
                        some.getValue(),
                        free.get(some.getKey())))
                .toList();
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
        return own.choice() == HostChoice.ALL_TOGETHER && free.size() < times.size() ? List.of() : free;
    }

    /** A time of this offering that a host leads then and that has seats left. */
    Optional<Led> shared(Host host, Instant at) {
        return shared.getOrDefault(host, List.of()).stream()
                .filter(led -> led.span().start().equals(at))
                .findFirst();
    }
}
