package jollyroster.programme;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.readiness.Finding;
import jollyroster.core.readiness.Readiness;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.readiness.Readiness.Meets;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.PlanQueries;
import jollyroster.platform.ServiceCuts;
import jollyroster.programme.HostQueries.Host;
import org.springframework.stereotype.Component;

/** Gathers what the readiness check looks at, for one offering or many, and runs it. */
@Component
public class ReadinessCheck {

    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final OwnTimeQueries own;
    private final SeatCounts counts;
    private final Clashes clashes;
    private final PlanQueries plans;
    private final WordFindings words;
    private final ServiceCuts cuts;

    ReadinessCheck(
            ProgrammeQueries programme,
            HostQueries hosts,
            OwnTimeQueries own,
            SeatCounts counts,
            Clashes clashes,
            PlanQueries plans,
            WordFindings words,
            ServiceCuts cuts) {
        this.cuts = cuts;
        this.words = words;
        this.own = own;
        this.programme = programme;
        this.hosts = hosts;
        this.counts = counts;
        this.clashes = clashes;
        this.plans = plans;
    }

    /** What is known beside offerings and sessions, each in one or two queries for all of them. */
    private record Known(
            Map<Long, List<Host>> hosts,
            Map<Long, Map<ZoneId, Integer>> zones,
            Map<Long, List<Clash>> clashes,
            Map<Long, List<AskedQuestion>> questions,
            Map<Long, OfferingPlan> plans,
            Instant now) {}

    public List<Finding> of(Offering offering, List<Session> sessions, Instant now) {
        return of(List.of(offering), Map.of(offering.id(), sessions), now).get(offering.id());
    }

    /** The findings of each of these offerings. @param sessions of each, those that have passed included */
    public Map<Long, List<Finding>> of(Collection<Offering> offerings, Map<Long, List<Session>> sessions, Instant now) {
        List<Session> all = sessions.values().stream().flatMap(List::stream).toList();
        List<Long> ids = offerings.stream().map(Offering::id).toList();
        List<Session> coming = all.stream()
                .filter(s -> s.start().isAfter(now) && !s.cancelled())
                .toList();
        Known known = new Known(
                hosts.of(coming),
                counts.zonesOf(all.stream().map(Session::book).distinct().toList()),
                clashes.of(coming, now).stream().collect(Collectors.groupingBy(Clash::session)),
                programme.questions(ids),
                plans.plans(ids),
                now);
        Map<Long, List<Finding>> ofWords = words.of(ids);
        return offerings.stream()
                .collect(Collectors.toMap(
                        Offering::id,
                        o -> together(
                                Readiness.check(sheet(o, sessions.getOrDefault(o.id(), List.of()), known), now),
                                ofWords.getOrDefault(o.id(), List.of()))));
    }

    private static List<Finding> together(List<Finding> checked, List<Finding> ofWords) {
        return ofWords.isEmpty()
                ? checked
                : Stream.concat(checked.stream(), ofWords.stream())
                        .sorted(Comparator.comparing(f -> f.kind().severity()))
                        .toList();
    }

    private Readiness.Sheet sheet(Offering o, List<Session> sessions, Known known) {
        List<Session> held = sessions.stream()
                .filter(s -> !s.cancelled())
                .sorted(java.util.Comparator.comparing(Session::id))
                .toList();
        int opens = o.rules().opensDays();
        return new Readiness.Sheet(
                o.status() != OfferingStatus.DRAFT,
                o.summary(),
                o.description(),
                o.style(),
                o.zone(),
                meets(o, o.venue(), MeetingLink.State.NONE, 0),
                held.stream().map(s -> date(s, known)).toList(),
                o.cutOff().usually(),
                opens == 0 ? Optional.empty() : Optional.of(Duration.ofDays(opens)),
                known.questions().getOrDefault(o.id(), List.of()).stream()
                        .map(AskedQuestion::question)
                        .toList(),
                known.plans().get(o.id()).lines().stream()
                        .anyMatch(line -> line.anchor().isReminder()
                                && line.isForAll()
                                && line.channels().has(Channel.EMAIL)),
                o.signUp().rsvp() && o.signUp().isPaid(),
                cameBefore(held, known),
                held.stream()
                        .flatMap(s -> known.clashes().getOrDefault(s.id(), List.of()).stream())
                        .toList(),
                ownTime(o));
    }

    private Optional<Readiness.OwnTime> ownTime(Offering o) {
        return o.style() == SignUpStyle.OWN_TIME
                ? Optional.of(new Readiness.OwnTime(
                        !own.of(o.id()).hours().isEmpty(),
                        hosts.ofOffering(o.id()).size(),
                        o.seats(),
                        o.rules().keptBack()))
                : Optional.empty();
    }

    private static Map<ZoneId, Integer> cameBefore(List<Session> held, Known known) {
        Map<ZoneId, Integer> came = new HashMap<>();
        held.stream()
                .filter(s -> !s.end().isAfter(known.now()))
                .map(s -> known.zones().getOrDefault(s.book(), Map.of()))
                .forEach(zones -> zones.forEach((zone, people) -> came.merge(zone, people, Integer::sum)));
        return came;
    }

    private Readiness.Date date(Session s, Known known) {
        boolean coming = s.start().isAfter(known.now());
        return new Readiness.Date(
                s.id(),
                s.span(),
                s.seats(),
                s.keptBack(),
                s.minimum(),
                meets(s.offering(), s.venue(), s.link().state(), s.link().tries()),
                s.venue().map(Venue::roomSize).orElse(OptionalInt.empty()),
                coming
                        ? known.hosts().getOrDefault(s.id(), List.of()).size()
                                + (s.offering().hostName().isEmpty() ? 0 : 1)
                        : 1,
                known.zones().getOrDefault(s.book(), Map.of()));
    }

    private Meets meets(Offering o, Optional<Venue> venue, MeetingLink.State link, int tries) {
        boolean online = o.format() == Format.ONLINE;
        if (venue.isEmpty()) {
            return online ? Meets.ONLINE_WITHOUT_LINK : Meets.NOWHERE_YET;
        }
        return switch (venue.get().kind()) {
            case PLACE -> online ? Meets.ONLINE_WITHOUT_LINK : Meets.IN_PERSON;
            case PHONE -> Meets.BY_PHONE;
            case FIXED_LINK -> Meets.ONLINE_WITH_LINK;
            case MADE_LINK -> cuts.isCut(ServiceCuts.MEETINGS) ? Meets.ONLINE_WITHOUT_PROVIDER : made(link, tries);
        };
    }

    private static Meets made(MeetingLink.State link, int tries) {
        return switch (link) {
            case NONE, MADE -> Meets.ONLINE_WITH_LINK;
            case WANTED -> tries == 0 ? Meets.ONLINE_WITH_LINK : Meets.ONLINE_LINK_PENDING;
            case FAILED -> Meets.ONLINE_LINK_FAILED;
        };
    }
}
