package jollyroster.schedule;

import java.time.Clock;
import java.util.List;
import jollyroster.core.readiness.Finding;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Counts whom a change would touch before it is made. Changes nothing. */
@Component
class ReachCommands {

    private final SessionCommands sessions;
    private final NoticeCommands notices;
    private final ProgrammeQueries queries;
    private final ReadinessCheck readiness;
    private final Clock clock;

    ReachCommands(
            SessionCommands sessions,
            NoticeCommands notices,
            ProgrammeQueries queries,
            ReadinessCheck readiness,
            Clock clock) {
        this.sessions = sessions;
        this.notices = notices;
        this.queries = queries;
        this.readiness = readiness;
        this.clock = clock;
    }

    /** Sessions and registrations in each scope. */
    public record Reach(int people, int laterSessions, int laterPeople, int allSessions, int allPeople) {

        public String here() {
            return counted(people);
        }

        public String later() {
            return laterSessions + " sessions, " + counted(laterPeople);
        }

        public String all() {
            return allSessions + " sessions, " + counted(allPeople);
        }

        private static String counted(int people) {
            return people == 0 ? "nobody" : people == 1 ? "one person" : people + " people";
        }
    }

    @Transactional(readOnly = true)
    public Reach of(Session session) {
        List<Session> all = sessions.ofOffering(session.offering().id()).stream()
                .filter(s -> s.end().isAfter(clock.instant()))
                .toList();
        List<Session> later = Scope.LATER.of(session, all);
        return new Reach(people(List.of(session)), later.size(), people(later), all.size(), people(all));
    }

    /** Of a whole series everybody is on every date, and counts once. */
    private int people(List<Session> these) {
        return these.stream()
                .filter(s -> s.lead() == null || s.id() == these.get(0).id())
                .mapToInt(notices::standingOn)
                .sum();
    }

    /** Whether something keeps an offering from being published. */
    boolean isStopped(long offering) {
        return queries.offering(offering)
                .map(o -> readiness.of(o, queries.sessionsOf(offering), clock.instant()).stream()
                        .anyMatch(f -> f.kind().severity() == Finding.Severity.STOPS))
                .orElse(true);
    }
}
