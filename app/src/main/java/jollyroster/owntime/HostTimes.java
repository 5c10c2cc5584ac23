package jollyroster.owntime;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.openhours.TimeRules;
import jollyroster.core.openhours.TimeTable;
import jollyroster.owntime.HostClaimQueries.Claims;
import jollyroster.owntime.HostClaimQueries.Led;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;

/** The open times of all who may lead a time of an offering, put together as the offering has it. */
final class HostTimes {

    private final Offering offering;
    private final Duration length;
    private final TimeTable<Host> table;
    private final Map<Host, List<Led>> shared = new LinkedHashMap<>();

    /** @param hosts who may lead a time, in the order in which they are named */
    HostTimes(Offering offering, OwnTime own, List<Host> hosts, Claims claims, Instant now) {
        this.offering = offering;
        TimeRules rules = own.rules(offering);
        this.length = rules.length();
        Map<Host, OpenTimes> times = new LinkedHashMap<>();
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
        this.table = new TimeTable<>(
                times,
                own.choice(),
                Math.max(1, offering.seats() - offering.rules().keptBack()));
    }

    /** What is held is a seat less in a time that others have picked already. */
    private static int left(Led led, List<Instant> held) {
        return led.left() - Collections.frequency(held, led.span().start());
    }

    /** The times that may be picked from one day to another, in order. @param until the day after the last */
    List<OpenTime> between(LocalDate from, LocalDate until) {
        return table.between(from, until).stream()
                .map(slot -> new OpenTime(slot.at().atZone(offering.zone()), length, slot.hosts(), slot.free()))
                .toList();
    }

    /** All of it, without what the offering adds. */
    TimeTable<Host> table() {
        return table;
    }

    /** A time of this offering that a host leads then and that has seats left. */
    Optional<Led> shared(Host host, Instant at) {
        return shared.getOrDefault(host, List.of()).stream()
                .filter(led -> led.span().start().equals(at))
                .findFirst();
    }
}
