package jollyroster.guests;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Tells organisers how answers stand: each morning when there are new ones, or once when answers are due. */
@Component
public class DigestWorker {

    private static final Actor ACTOR = new Actor.Program("digests");
    private static final Logger LOG = LoggerFactory.getLogger(DigestWorker.class);
    private static final LocalTime MORNING = LocalTime.of(8, 0);
    private static final Duration A_DAY = Duration.ofDays(1);
    private final TellCommands commands;
    private final GuestQueries guests;
    private final ProgrammeQueries programme;
    private final PickedTimes picked;
    private final OrganisationQueries organisation;
    private final Clock clock;

    DigestWorker(
            TellCommands commands,
            GuestQueries guests,
            ProgrammeQueries programme,
            PickedTimes picked,
            OrganisationQueries organisation,
            Clock clock) {
        this.commands = commands;
        this.guests = guests;
        this.programme = programme;
        this.picked = picked;
        this.organisation = organisation;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = 60_000)
    void tick() {
        if (organisation.isSetUp()) {
            tellDue();
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
        boolean daily = offering.signUp().tell() == Tell.DAILY;
        Optional<Instant> due = daily ? morning(now) : deadline(offering, now);
        Instant told = guests.told(offering.id())
                .orElseGet(() -> daily ? due.orElse(now).minus(A_DAY) : Instant.EPOCH);
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
        if (offering.signUp().tell() != Tell.DAILY) {
            return false;
        }
        PickedTimes.Told news = picked.between(offering, told, due);
        if (news.isNews()) {
            commands.ofPicked(offering, news.all(), news.byHost(), due, ACTOR);
        }
        return news.isNews();
    }

    private Optional<Instant> morning(Instant now) {
        return Optional.of(Times.latest(MORNING, organisation.organisation().zone(), now));
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
