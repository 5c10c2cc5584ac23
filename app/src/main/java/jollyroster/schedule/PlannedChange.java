package jollyroster.schedule;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionPlan;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;

/** Works out what a change to one session means for it and others, and what is in the way; changes nothing. */
@Component
class PlannedChange {

    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final NoticeCommands notices;
    private final Clock clock;

    PlannedChange(SessionCommands sessions, PlanCommands planned, NoticeCommands notices, Clock clock) {
        this.sessions = sessions;
        this.planned = planned;
        this.notices = notices;
        this.clock = clock;
    }

    /** What each session would be; those that stay as they are are left out. */
    Map<Session, SessionPlan> plans(Session session, Scope scope, SessionPlan wanted) {
        SessionPlan before = planned.plan(session.id()).orElseThrow();
        Delta delta = new Delta(before, wanted, session.zone());
        Map<Session, SessionPlan> plans = new LinkedHashMap<>();
        concerned(session, scope, wanted, before).forEach(s -> {
            SessionPlan was = planned.plan(s.id()).orElseThrow();
            SessionPlan now = s.id() == session.id() ? wanted : delta.appliedTo(was);
            if (!now.equals(was)) {
                plans.put(s, now);
            }
        });
        return plans;
    }

    /** The dates of a whole series have one number of seats, so that changing it is never about one of them alone. */
    private List<Session> concerned(Session session, Scope scope, SessionPlan wanted, SessionPlan before) {
        List<Session> all = sessions.ofOffering(session.offering().id()).stream()
                .filter(s -> s.end().isAfter(clock.instant()) || s.id() == session.id())
                .toList();
        boolean seatsOfSeries = session.lead() != null && wanted.seats() != before.seats();
        return (seatsOfSeries ? Scope.ALL : scope).of(session, all);
    }

    /** The first thing that keeps it from being done. */
    Optional<Outcome> obstacle(Map<Session, SessionPlan> plans) {
        return plans.entrySet().stream()
                .flatMap(e -> obstacle(e.getKey(), e.getValue()).stream())
                .findFirst();
    }

    private Optional<Outcome> obstacle(Session session, SessionPlan plan) {
        boolean moved = !plan.start().equals(session.start());
        if (moved && !plan.start().isAfter(clock.instant())) {
            return Optional.of(new Outcome.Refused(Outcome.Reason.IN_THE_PAST, ""));
        }
        int taken = notices.takenOn(session);
        return plan.seats() < session.seats() && plan.seats() < taken
                ? Optional.of(new Outcome.Refused(Outcome.Reason.TOO_FEW_SEATS, String.valueOf(taken)))
                : Optional.empty();
    }
}
