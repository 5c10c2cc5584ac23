package jollyroster.guests;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import jollyroster.team.TeamQueries;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Tells organisers how answers stand: each morning when there are new ones, or once when answers are due. */
@Component
public class DigestWorker {

    private static final Actor ACTOR = new Actor.Program("digests");
    private static final Logger LOG = LoggerFactory.getLogger(DigestWorker.class);
    private static final LocalTime MORNING = LocalTime.of(8, 0);
    private final TellCommands commands;
    private final GuestQueries guests;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final OrganisationQueries organisation;
    private final Clock clock;
    private final boolean auto;

    DigestWorker(
            TellCommands commands,
            GuestQueries guests,
            ProgrammeQueries programme,
            HostQueries hosts,
            TeamQueries team,
            OrganisationQueries organisation,
            Clock clock,
            @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.commands = commands;
        this.guests = guests;
        this.programme = programme;
        this.hosts = hosts;
        this.team = team;
        this.organisation = organisation;
        this.clock = clock;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 60_000)
    void tick() {
        if (auto && organisation.isSetUp()) {
            try {
                tellDue();
            } catch (RuntimeException outage) {
                LOG.error("Organisers are told later: {}", outage.toString());
            }
        }
    }

    /** Writes every digest that is due now. @return how many */
    public synchronized int tellDue() {
        Instant now = clock.instant();
        return (int) commands.telling().stream()
                .flatMap(id -> programme.offering(id).stream())
                .filter(offering -> isTold(offering, now))
                .count();
    }

    /** An offering that cannot be told of holds up no other. */
    private boolean isTold(Offering offering, Instant now) {
        try {
            return tell(offering, now);
        } catch (RuntimeException bad) {
            LOG.error("Nobody was told of offering {}: {}", offering.id(), bad.toString());
            return false;
        }
    }

    private boolean tell(Offering offering, Instant now) {
        Optional<Instant> due = offering.signUp().tell() == Tell.DAILY ? morning(now) : deadline(offering, now);
        Instant told = guests.told(offering.id()).orElse(Instant.EPOCH);
        if (due.isEmpty() || !told.isBefore(due.get())) {
            return false;
        }
        if (offering.style() == SignUpStyle.OWN_TIME) {
            return tellPicked(offering, told, due.get());
        }
        boolean news =
                offering.signUp().tell() == Tell.DEADLINE || guests.answersBetween(offering.id(), told, due.get()) > 0;
        if (news) {
            commands.ofMany(offering, summary(offering, now), due.get(), ACTOR);
        }
        return news;
    }

    /** Which times were picked since the organiser was told last; each host hears of their own. */
    private boolean tellPicked(Offering offering, Instant told, Instant due) {
        List<Session> picked = programme.sessionsOf(offering.id()).stream()
                .filter(s -> s.createdAt().isAfter(told) && !s.createdAt().isAfter(due))
                .toList();
        boolean news = offering.signUp().tell() == Tell.DAILY && !picked.isEmpty();
        if (news) {
            commands.ofMany(offering, picked(picked), byHost(picked), due, ACTOR);
        }
        return news;
    }

    private static String picked(List<Session> times) {
        return times.stream()
                .map(s -> Times.dayAndTime(s.start(), s.zone()))
                .collect(Collectors.joining(", ", "Picked since the last such e-mail: ", "."));
    }

    /** What each host who can sign in leads of them, by address. */
    private Map<String, String> byHost(List<Session> picked) {
        Map<Long, String> addresses = team.members().stream()
                .filter(TeamQueries.Mate::active)
                .collect(Collectors.toMap(TeamQueries.Mate::id, TeamQueries.Mate::email));
        Map<Long, List<HostQueries.Host>> leaders = hosts.of(picked);
        Map<String, List<Session>> led = new TreeMap<>();
        for (Session s : inOrder(picked)) {
            for (HostQueries.Host host : leaders.getOrDefault(s.id(), List.of())) {
                Optional.ofNullable(addresses.get(host.id()))
                        .ifPresent(to ->
                                led.computeIfAbsent(to, it -> new ArrayList<>()).add(s));
            }
        }
        Map<String, String> told = new LinkedHashMap<>();
        led.forEach((to, times) -> told.put(to, picked(times)));
        return told;
    }

    private static List<Session> inOrder(List<Session> times) {
        return times.stream().sorted(Comparator.comparing(Session::start)).toList();
    }

    private Optional<Instant> morning(Instant now) {
        ZoneId home = organisation.organisation().zone();
        ZonedDateTime today = now.atZone(home).with(MORNING);
        return Optional.of((today.toInstant().isAfter(now) ? today.minusDays(1) : today).toInstant());
    }

    /** The latest time that answers to one of the dates were due. */
    private Optional<Instant> deadline(Offering offering, Instant now) {
        return programme.sessionsOf(offering.id()).stream()
                .map(Session::cutOff)
                .filter(at -> !at.isAfter(now))
                .max(Instant::compareTo);
    }

    /** Who said yes and waits for a seat, counted among them. */
    private String waiting(Session s) {
        int people = guests.waiting(s.book());
        return people == 0 ? "" : "; " + people + " of those who said yes wait for a seat";
    }

    private String summary(Offering offering, Instant now) {
        StringBuilder words = new StringBuilder("How answers to " + offering.title() + " stand. ");
        List<Session> coming = programme.sessionsOf(offering.id()).stream()
                .filter(s -> s.end().isAfter(now))
                .toList();
        for (Session s : coming) {
            Map<Reply, Integer> answers = guests.answers(s.book());
            words.append(Times.dayAndTime(s.start(), s.zone()))
                    .append(": ")
                    .append(answers.getOrDefault(Reply.YES, 0))
                    .append(" yes, ")
                    .append(answers.getOrDefault(Reply.MAYBE, 0))
                    .append(" maybe, ")
                    .append(answers.getOrDefault(Reply.NO, 0))
                    .append(" no")
                    .append(waiting(s))
                    .append(". ");
        }
        long silent = guests.list(offering.id()).stream()
                .filter(i -> i.state().isEmpty())
                .count();
        return words.append(silent).append(" invited have not answered.").toString();
    }
}
