package jollyroster.owntime;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.HostChoice.Candidate;
import jollyroster.core.openhours.TimeRules;
import jollyroster.owntime.HostClaimQueries.Claims;
import jollyroster.owntime.HostClaimQueries.Led;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.platform.Writes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import org.springframework.stereotype.Component;

/** Works out within a write who leads a time that is picked, as it sees what was given a moment ago. */
@Component
class GivingCommands {

    private final Writes writes;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final TimeHoldQueries holds;

    GivingCommands(Writes writes, HostQueries hosts, OwnTimeQueries ownTime, TimeHoldQueries holds) {
        this.writes = writes;
        this.hosts = hosts;
        this.ownTime = ownTime;
        this.holds = holds;
    }

    /**
     * A time that can be had.
     *
     * @param hosts who lead it, at least one
     * @param because why they do
     * @param session that others have picked and that has seats left; empty where it is nobody's yet
     */
    record Given(Interval span, List<Host> hosts, HostChoice.Because because, Optional<Long> session) {}

    /** The time as it can be had now; empty when it cannot. */
    Optional<Given> give(Pick pick, Viewer viewer) {
        OwnTime own = ownTime.of(pick.offering().id());
        List<Host> leaders = hosts.ofOffering(
                pick.offering().id(),
                pick.once().map(link -> link.leaders(own.choice())).orElse(Set.of()));
        if (leaders.isEmpty()) {
            return Optional.empty();
        }
        Interval span = new Interval(
                pick.start(), pick.start().plus(own.rules(pick.offering()).length()));
        HostClaimQueries reading = new HostClaimQueries(writes.sql());
        Claims claims =
                reading.around(span, leaders.stream().map(Host::id).toList(), own.rules(pick.offering()), own, viewer);
        HostTimes times = new HostTimes(pick.offering(), own, leaders, claims, viewer.now());
        List<Host> free = times.table().free(pick.start());
        List<Host> able = able(pick, own.choice(), free, viewer);
        if (able.isEmpty()) {
            return Optional.empty();
        }
        Optional<Host> joined = able.stream()
                .filter(host -> times.shared(host, pick.start()).isPresent())
                .findFirst();
        List<Host> given = own.choice() == HostChoice.ALL_TOGETHER
                ? able
                : joined.or(() -> fairest(pick, able, claims, reading)).stream().toList();
        return Optional.of(new Given(
                span,
                given,
                because(pick, own.choice(), free.size()),
                joined.flatMap(host -> times.shared(host, pick.start())).map(Led::session)));
    }

    private static HostChoice.Because because(Pick pick, HostChoice choice, int free) {
        boolean settled = choice != HostChoice.ALL_TOGETHER
                && pick.once().flatMap(TimeLink::host).isPresent();
        return settled
                ? HostChoice.Because.AS_THE_LINK_SAYS
                : choice.because(pick.host().isPresent(), free);
    }

    /** Those of the free who come into question: the one who was chosen, or who is held for the same browser, or all. */
    private List<Host> able(Pick pick, HostChoice choice, List<Host> free, Viewer viewer) {
        List<Long> held = holds.ownIn(writes.sql(), pick.offering().id(), viewer)
                .filter(hold -> hold.start().equals(pick.start()))
                .map(TimeHoldQueries.Own::hosts)
                .orElse(List.of());
        return choice.able(free, Host::id, pick.host(), held);
    }

    private static Optional<Host> fairest(Pick pick, List<Host> free, Claims claims, HostClaimQueries reading) {
        Map<Long, Instant> last = reading.lastLed(free.stream().map(Host::id).toList(), pick.start());
        List<Candidate> candidates = free.stream()
                .map(host -> new Candidate(
                        host.id(), host.name(), led(host, pick, claims), last.getOrDefault(host.id(), Instant.MIN)))
                .toList();
        return HostChoice.give(candidates)
                .flatMap(given ->
                        free.stream().filter(host -> host.id() == given.id()).findFirst());
    }

    /** How long a host leads in the week of the time that is picked. */
    private static Duration led(Host host, Pick pick, Claims claims) {
        LocalDate monday = week(pick, pick.start());
        return claims.led().stream()
                .filter(some -> some.host() == host.id())
                .filter(some -> week(pick, some.span().start()).equals(monday))
                .map(some -> some.span().length())
                .reduce(Duration.ZERO, Duration::plus);
    }

    private static LocalDate week(Pick pick, Instant at) {
        return TimeRules.week(at.atZone(pick.offering().zone()).toLocalDate());
    }
}
