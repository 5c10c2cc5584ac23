package jollyroster.plans;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.seats.Outlook;
import jollyroster.guests.GuestCommands;
import jollyroster.guests.GuestList;
import jollyroster.guests.GuestQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.seating.NoticeCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.telling.NewsCommands;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Looks, at the time of those lines of plans that need it, whom they are for: invitees who are silent before the cut-off, those who
 * have not paid before it runs out, those who still wait, and the organiser while a session is short of its minimum. Each goes once.
 */
@Component
public class WatchWorker {

    private static final Logger LOG = LoggerFactory.getLogger(WatchWorker.class);
    private static final Actor ACTOR = new Actor.Program("plans");

    /** What was missed for longer, as the program was not running, or the line is new, is not made good. */
    private static final Duration STILL_OF_USE = Duration.ofHours(6);

    /** A long weekend. */
    private static final Duration EARLIEST = Duration.ofDays(4);

    private static final Duration FARTHEST_DECISION = Duration.ofDays(92);

    private final PlanQueries plans;
    private final ProgrammeQueries programme;
    private final RegistrationQueries rosters;
    private final GuestList guests;
    private final GuestCommands invitations;
    private final NoticeCommands notices;
    private final NewsCommands news;
    private final OrganisationQueries organisation;
    private final Clock clock;

    WatchWorker(
            PlanQueries plans,
            ProgrammeQueries programme,
            RegistrationQueries rosters,
            GuestList guests,
            GuestCommands invitations,
            NoticeCommands notices,
            NewsCommands news,
            OrganisationQueries organisation,
            Clock clock) {
        this.plans = plans;
        this.programme = programme;
        this.rosters = rosters;
        this.guests = guests;
        this.invitations = invitations;
        this.notices = notices;
        this.news = news;
        this.organisation = organisation;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = 60_000)
    void tick() {
        if (organisation.isSetUp()) {
            watch();
        }
    }

    /** Does all whose time has come. */
    public synchronized void watch() {
        Instant now = clock.instant();
        decisions(now);
        for (Offering o : programme.offerings()) {
            List<PlanLine> lines = plans.plan(o.id()).lines().stream()
                    .filter(line -> Anchor.WATCHED.contains(line.anchor()))
                    .toList();
            if (o.status() == OfferingStatus.PUBLISHED && !lines.isEmpty()) {
                try {
                    watch(o, lines, now);
                } catch (RuntimeException bad) {
                    LOG.error("The plan of offering {} waits: {}", o.id(), bad.toString());
                }
            }
        }
    }

    /** Sessions that are short of their minimum on the day it is decided. */
    private void decisions(Instant now) {
        List<Session> needy = programme.between(now, now.plus(FARTHEST_DECISION)).stream()
                .filter(s -> s.minimum() > 0 && !s.cancelled())
                .filter(s -> s.offering().status() == OfferingStatus.PUBLISHED)
                .toList();
        Map<Long, SeatCount> counts = rosters.of(needy.stream().map(Session::id).toList());
        for (Session s : needy) {
            int taken = counts.get(s.id()).taken();
            if (s.outlook(taken, now) == Outlook.DECIDE_TODAY) {
                news.missed(s, tooFew(s, taken), ACTOR);
            }
        }
    }

    private static String tooFew(Session s, int taken) {
        return taken + " of at least " + s.minimum() + " are registered";
    }

    private void watch(Offering o, List<PlanLine> lines, Instant now) {
        List<Session> coming = programme.sessionsOf(o.id()).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .toList();
        for (PlanLine line : lines) {
            switch (line.anchor()) {
                case SILENT ->
                    coming.stream()
                            .filter(s -> isDue(line, s, s.cutOff(), now))
                            .findFirst()
                            .ifPresent(this::askAgain);
                case STILL_WAITING ->
                    coming.stream()
                            .filter(s -> s.id() == s.book() && isNear(line, s, now))
                            .forEach(s -> notices.tellTheLine(s, line, STILL_OF_USE, ACTOR));
                case SHORT ->
                    coming.stream().filter(s -> isDue(line, s, s.start(), now)).forEach(s -> warn(s, line));
                default -> remindToPay(line, coming, now);
            }
        }
    }

    /** Whether somebody may be told by now: hours in which nobody is written to may bring it forward by days. */
    private static boolean isNear(PlanLine line, Session s, Instant now) {
        Instant due = line.offset().before(s.start().atZone(s.zone())).toInstant();
        return now.isAfter(due.minus(EARLIEST)) && now.isBefore(due.plus(STILL_OF_USE));
    }

    private static boolean isDue(PlanLine line, Session s, Instant before, Instant now) {
        Instant due = line.offset().before(before.atZone(s.zone())).toInstant();
        return !due.isAfter(now) && now.isBefore(before) && now.isBefore(due.plus(STILL_OF_USE));
    }

    /** Whoever was written to of late is left in peace, so that they are asked once. */
    private void askAgain(Session s) {
        List<Long> silent = guests.remindable(s.offering().id()).stream()
                .map(GuestQueries.Invitee::id)
                .toList();
        if (!silent.isEmpty()) {
            invitations.remind(s.offering().id(), silent, "", ACTOR);
        }
    }

    private void warn(Session s, PlanLine line) {
        int taken = rosters.of(List.of(s.id())).get(s.id()).taken();
        if (s.minimum() > 0 && taken < s.minimum()) {
            String occasion = line.offset().amount() + line.offset().unit().name();
            news.tooFew(s, tooFew(s, taken), occasion, ACTOR);
        }
    }

    private void remindToPay(PlanLine line, List<Session> coming, Instant now) {
        Map<Long, Session> books = coming.stream()
                .filter(s -> s.offering().signUp().isPaid())
                .collect(Collectors.toMap(Session::book, s -> s, (first, later) -> first));
        for (Registration held : rosters.held()) {
            Session s = books.get(held.session());
            Instant until = held.hold().until().orElse(Instant.MAX);
            if (s != null && isDue(line, s, until, now)) {
                notices.remindToPay(s, held.id(), line, until, ACTOR);
            }
        }
    }
}
