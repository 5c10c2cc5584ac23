package jollyroster.programme;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.platform.Actor;
import jollyroster.platform.Times;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.SessionCommands.NewDate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts typed dates in the place of those to come. Organisers only. */
@Component
public class ReplaceDatesCommands {

    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final SeatCounts counts;
    private final Clock clock;

    ReplaceDatesCommands(SessionCommands sessions, PlanCommands planned, SeatCounts counts, Clock clock) {
        this.sessions = sessions;
        this.planned = planned;
        this.counts = counts;
        this.clock = clock;
    }

    /** @param kept dates that would go though people are on them, in words; then nothing was changed */
    public record Replaced(int added, int removed, List<String> kept) {}

    /** What stays as it is keeps its number; what is no longer there goes, unless people are on it; the rest is added. */
    @Transactional
    public Replaced replace(long offering, List<NewDate> wanted, Actor actor) {
        actor.requireOrganiser();
        List<Session> coming = sessions.ofOffering(offering).stream()
                .filter(s -> s.start().isAfter(clock.instant()) && !s.cancelled())
                .toList();
        List<NewDate> toAdd = new ArrayList<>(wanted);
        List<Session> toRemove =
                coming.stream().filter(s -> !takeOut(toAdd, s, actor)).toList();
        Map<Long, SeatCount> on = counts.of(toRemove.stream().map(Session::id).toList());
        List<String> kept = toRemove.stream()
                .filter(s -> !on.get(s.id()).equals(SeatCount.NONE))
                .map(s -> Times.dayAndTime(s.start(), s.zone()))
                .toList();
        if (kept.isEmpty()) {
            toRemove.forEach(s -> sessions.removeDate(offering, s.id(), actor));
            sessions.addDates(offering, toAdd, actor);
        }
        return new Replaced(toAdd.size(), toRemove.size(), kept);
    }

    /** Takes the wanted date that is this very session out of the list. */
    private boolean takeOut(List<NewDate> wanted, Session session, Actor actor) {
        SessionPlan plan = planned.plan(session.id()).orElseThrow();
        return wanted.stream()
                .filter(date -> isSame(date, session, plan))
                .findFirst()
                .map(wanted::remove)
                .orElse(false);
    }

    private static boolean isSame(NewDate date, Session session, SessionPlan plan) {
        return date.time().span().equals(session.span())
                && date.seats().orElse(session.offering().seats()) == session.seats()
                && java.util.Objects.equals(date.venue(), plan.venue())
                && date.hosts().equals(plan.ownHosts() ? plan.hosts() : List.of());
    }
}
