package jollyroster.owntime;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.HostChoice.Candidate;
import jollyroster.core.openhours.TimeRules;
import jollyroster.owntime.HostClaimQueries.Claims;
import jollyroster.owntime.HostClaimQueries.Led;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.springframework.stereotype.Component;

/**
 * Gives somebody the time they picked: the session is made, or joined, and the person registered, in one write. What may be
 * picked is worked out again within it, so that a time is never given twice.
 */
@Component
public class PickCommands {

    private final Writes writes;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final SessionCommands sessions;
    private final RegistrationCommands registrations;
    private final Clock clock;

    PickCommands(
            Writes writes,
            HostQueries hosts,
            OwnTimeQueries ownTime,
            SessionCommands sessions,
            RegistrationCommands registrations,
            Clock clock) {
        this.writes = writes;
        this.hosts = hosts;
        this.ownTime = ownTime;
        this.sessions = sessions;
        this.registrations = registrations;
        this.clock = clock;
    }

    /**
     * What was picked.
     *
     * @param host who is to lead it; empty where people do not choose
     */
    public record Pick(Offering offering, Instant start, Optional<Long> host) {}

    /** Gives the time and the seats in it, or says why not; {@link Registering.Reason#TIME_GONE} when it is taken. */
    public Registering pick(Pick pick, Application asked, Optional<Link> invitation, Actor actor) {
        Made made = new Made();
        return registrations.registerAt(() -> place(pick, made), made::undo, asked, invitation, actor);
    }

    /** The session that was made for this pick, if one was. */
    private final class Made {
        private long session;

        long as(long number) {
            session = number;
            return number;
        }

        void undo(long number) {
            if (number == session) {
                sessions.dropPicked(number);
            }
        }
    }

    private OptionalLong place(Pick pick, Made made) {
        Instant now = clock.instant();
        Offering o = pick.offering();
        OwnTime own = ownTime.of(o.id());
        List<Host> leaders = hosts.ofOffering(o.id());
        if (leaders.isEmpty()) {
            return OptionalLong.empty();
        }
        HostClaimQueries reading = new HostClaimQueries(writes.sql());
        Interval time =
                new Interval(pick.start(), pick.start().plus(own.rules(o).length()));
        Claims claims = reading.within(
                TimesQueries.week(time), leaders.stream().map(Host::id).toList());
        HostTimes times = new HostTimes(o, own, leaders, claims, now);
        List<Host> given = given(pick, own, times, claims, reading);
        if (given.isEmpty()) {
            return OptionalLong.empty();
        }
        Optional<Led> shared = times.shared(given.get(0), pick.start());
        return OptionalLong.of(
                shared.isPresent()
                        ? shared.get().session()
                        : made.as(sessions.addPicked(
                                o.id(),
                                new SessionTime(
                                        pick.start().atZone(o.zone()), time.length(), SessionTime.Adjustment.NONE),
                                given.stream().map(Host::id).toList())));
    }

    /** Who leads the time; nobody when it cannot be had. */
    private List<Host> given(Pick pick, OwnTime own, HostTimes times, Claims claims, HostClaimQueries reading) {
        List<Host> free = times.free(pick.start());
        return switch (own.choice()) {
            case ALL_TOGETHER -> free;
            case ATTENDEES_CHOICE ->
                free.stream()
                        .filter(host ->
                                pick.host().filter(id -> id == host.id()).isPresent())
                        .toList();
            case WHOEVER_IS_FREE -> {
                Optional<Host> joined = free.stream()
                        .filter(host -> times.shared(host, pick.start()).isPresent())
                        .findFirst();
                yield joined.map(List::of).orElseGet(() -> fairest(pick, free, claims, reading));
            }
        };
    }

    private static List<Host> fairest(Pick pick, List<Host> free, Claims claims, HostClaimQueries reading) {
        Map<Long, Instant> last = reading.lastLed(free.stream().map(Host::id).toList(), pick.start());
        List<Candidate> candidates = free.stream()
                .map(host -> new Candidate(
                        host.id(), host.name(), led(host, pick, claims), last.getOrDefault(host.id(), Instant.MIN)))
                .toList();
        return HostChoice.give(candidates).stream()
                .flatMap(given -> free.stream().filter(host -> host.id() == given.id()))
                .toList();
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
