package jollyroster.schedule;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.messages.Anchor;
import jollyroster.logbook.LogbookEntry;
import jollyroster.logbook.SessionChange;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionCommands.NewDate;
import jollyroster.programme.SessionPlan;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Changes sessions that people may be on. Each call is one write: the sessions, the reminders planned anew, the news that
 * leaves after the grace, the logbook, and how it was before. Organisers only.
 */
@Component
public class ScheduleCommands {

    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final NoticeCommands notices;
    private final HoldCommands waitlist;
    private final ChangeCommands changes;
    private final PlannedChange intended;
    private final Clock clock;

    ScheduleCommands(
            SessionCommands sessions,
            PlanCommands planned,
            NoticeCommands notices,
            HoldCommands waitlist,
            ChangeCommands changes,
            PlannedChange intended,
            Clock clock) {
        this.sessions = sessions;
        this.planned = planned;
        this.notices = notices;
        this.waitlist = waitlist;
        this.changes = changes;
        this.intended = intended;
        this.clock = clock;
    }

    /** Changes a session to what is wanted, and others of its offering in the same way. */
    @Transactional
    public Outcome change(long id, Scope scope, SessionPlan wanted, Actor actor) {
        return change(id, OptionalInt.empty(), scope, wanted, "", actor);
    }

    /**
     * The same with the organiser's own words to those who are told.
     *
     * @param seen the sequence the session had when it was read; when it is another by now, nothing is changed. Empty for
     *     whatever it is
     */
    @Transactional
    public Outcome change(long id, OptionalInt seen, Scope scope, SessionPlan wanted, String words, Actor actor) {
        actor.requireOrganiser();
        Optional<Session> session = sessions.session(id);
        if (session.isEmpty() || planned.plan(id).isEmpty()) {
            return refused(Outcome.Reason.UNKNOWN);
        }
        if (isOvertaken(session.get(), seen)) {
            return refused(Outcome.Reason.OVERTAKEN);
        }
        Map<Session, SessionPlan> plans = intended.plans(session.get(), scope, wanted);
        return plans.isEmpty() ? refused(Outcome.Reason.NOTHING_CHANGED) : apply(session.get(), plans, words, actor);
    }

    static boolean isOvertaken(Session now, OptionalInt seen) {
        return seen.isPresent() && seen.getAsInt() != now.sequence();
    }

    private Outcome apply(Session session, Map<Session, SessionPlan> plans, String words, Actor actor) {
        Optional<Outcome> obstacle = intended.obstacle(plans);
        if (obstacle.isPresent()) {
            return obstacle.get();
        }
        List<Undoable.Dated> before = plans.keySet().stream()
                .map(s -> new Undoable.Dated(s.id(), planned.plan(s.id()).orElseThrow()))
                .toList();
        Instant until = changes.until();
        long change = changes.keep(
                session.offering().id(),
                SessionChange.words(ChangeFacts.of(plans, before)),
                Undoable.sessions(before),
                actor);
        Map<Session, Anchor> news = new LinkedHashMap<>();
        plans.forEach((s, plan) -> put(s, plan, actor).ifPresent(anchor -> news.put(s, anchor)));
        return new Outcome.Done(change, plans.size(), tell(news, change, until, words), until);
    }

    /** Tells everybody once, though a whole series may have changed on several dates. @return how many are told */
    private int tell(Map<Session, Anchor> news, long change, Instant until, String words) {
        Set<Long> told = new HashSet<>();
        int people = 0;
        for (Map.Entry<Session, Anchor> entry : news.entrySet()) {
            Session after = sessions.session(entry.getKey().id()).orElseThrow();
            if (told.add(after.book())) {
                people += notices.tell(entry.getKey(), after, entry.getValue(), change, until, words);
            } else {
                notices.replan(after);
            }
        }
        return people;
    }

    /** @return what people are to be told; empty when they need not know */
    private Optional<Anchor> put(Session session, SessionPlan plan, Actor actor) {
        SessionPlan before = planned.plan(session.id()).orElseThrow();
        planned.apply(session.id(), plan, actor);
        Session after = sessions.session(session.id()).orElseThrow();
        boolean off = plan.cancelled() && !before.cancelled();
        notices.log(
                after,
                off ? LogbookEntry.CALLED_OFF : LogbookEntry.SESSION_CHANGED,
                ChangeFacts.of(session, before, plan),
                actor);
        if (plan.seats() - plan.keptBack() > before.seats() - before.keptBack()) {
            waitlist.refillFromLine(after.book());
        }
        boolean isNews = plan.concernsPeople(before) && session.offering().status() != OfferingStatus.DRAFT;
        return isNews ? Optional.of(anchor(before, plan)) : Optional.empty();
    }

    private static Anchor anchor(SessionPlan before, SessionPlan plan) {
        if (plan.cancelled() == before.cancelled()) {
            return Anchor.CHANGED;
        }
        return plan.cancelled() ? Anchor.CALLED_OFF : Anchor.RESTORED;
    }

    /** Moves one session to another start, its length kept. */
    @Transactional
    public Outcome move(long id, Instant start, Actor actor) {
        actor.requireOrganiser();
        return planned.plan(id)
                .map(plan -> change(id, Scope.THIS, plan.at(start, start.plus(plan.length())), actor))
                .orElse(refused(Outcome.Reason.UNKNOWN));
    }

    /** Lets these members of the team lead one session. */
    @Transactional
    public Outcome lead(long id, List<Long> hosts, Actor actor) {
        actor.requireOrganiser();
        return planned.plan(id)
                .map(plan -> change(id, Scope.THIS, plan.ledBy(true, hosts), actor))
                .orElse(refused(Outcome.Reason.UNKNOWN));
    }

    /** Calls sessions off. Who is on them stays there, and is told when it can no longer be undone. */
    @Transactional
    public Outcome callOff(long id, Scope scope, String words, Actor actor) {
        actor.requireTeam();
        return calledOff(id, scope, true, words, actor);
    }

    /** Holds a session that was called off after all, and tells those who are on it. */
    @Transactional
    public Outcome restore(long id, Actor actor) {
        actor.requireTeam();
        return calledOff(id, Scope.THIS, false, "", actor);
    }

    private Outcome calledOff(long id, Scope scope, boolean off, String words, Actor actor) {
        actor.requireOrganiser();
        return planned.plan(id)
                .map(plan -> change(id, OptionalInt.empty(), scope, plan.calledOff(off), words, actor))
                .orElse(refused(Outcome.Reason.UNKNOWN));
    }

    /** Adds a copy of a session so many days later, at the same time on the wall clock, with its seats, venue and hosts. */
    @Transactional
    public Outcome duplicate(long id, int daysLater, Actor actor) {
        actor.requireOrganiser();
        Optional<Session> session = sessions.session(id);
        if (session.isEmpty()) {
            return refused(Outcome.Reason.UNKNOWN);
        }
        Session from = session.get();
        SessionTime time = SessionTime.resolve(
                from.zonedStart().toLocalDateTime().plusDays(daysLater), from.zone(), from.length());
        if (!time.start().toInstant().isAfter(clock.instant())) {
            return refused(Outcome.Reason.IN_THE_PAST);
        }
        SessionPlan plan = planned.plan(id).orElseThrow();
        long added = sessions.addDates(
                        from.offering().id(),
                        List.of(new NewDate(
                                time,
                                java.util.OptionalInt.of(from.seats()),
                                plan.venue(),
                                plan.ownHosts() ? plan.hosts() : List.of())),
                        actor)
                .get(0);
        Session copy = sessions.session(added).orElseThrow();
        Facts facts = SessionChange.added(copy.start(), copy.zone());
        long change = changes.keep(
                from.offering().id(),
                SessionChange.words(facts),
                Undoable.sessions(List.of(new Undoable.Dated(added, null))),
                actor);
        notices.log(copy, LogbookEntry.SESSION_CHANGED, facts, actor);
        notices.replan(copy);
        return new Outcome.Done(change, 1, 0, changes.until());
    }

    /** Lets these sessions meet elsewhere; one change for each offering. */
    @Transactional
    public List<Outcome> changeVenue(List<Long> ids, long venue, Actor actor) {
        actor.requireOrganiser();
        Map<Long, Map<Session, SessionPlan>> byOffering = new LinkedHashMap<>();
        for (long id : ids) {
            sessions.session(id).ifPresent(s -> {
                SessionPlan plan = planned.plan(id).orElseThrow();
                boolean there = s.venue().filter(v -> v.id() == venue).isPresent();
                if (!there && s.end().isAfter(clock.instant())) {
                    byOffering
                            .computeIfAbsent(s.offering().id(), o -> new LinkedHashMap<>())
                            .put(s, plan.meeting(venue));
                }
            });
        }
        List<Outcome> outcomes = new ArrayList<>();
        byOffering
                .values()
                .forEach(plans -> outcomes.add(apply(plans.keySet().iterator().next(), plans, "", actor)));
        return outcomes;
    }

    private static Outcome refused(Outcome.Reason reason) {
        return new Outcome.Refused(reason, "");
    }
}
