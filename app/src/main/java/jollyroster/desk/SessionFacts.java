package jollyroster.desk;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.core.foresight.Course;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Session;
import jollyroster.roster.RosterPageQueries;
import jollyroster.schedule.ChangeQueries;
import jollyroster.seating.Registration;

/**
 * What the page and its margin are made from; each part was one query.
 *
 * @param roster the first of the roster, as many as are shown
 * @param zones where the registered live, with their number
 */
record SessionFacts(
        Session session,
        List<Session> dates,
        List<Host> hosts,
        List<Clash> clashes,
        List<ChangeQueries.Open> undoable,
        List<Registration> roster,
        List<AskedQuestion> questions,
        Map<Long, Map<Long, String>> answers,
        Map<Long, Integer> before,
        Map<Long, Attended> attended,
        List<OutboxQueries.Count> messages,
        List<LogbookQueries.Logged> logbook,
        Course own,
        List<Course> earlier,
        Map<RegistrationState, RosterPageQueries.Count> counts,
        Map<ZoneId, Integer> zones,
        int taken,
        Instant now) {

    private static final RosterPageQueries.Count NONE = new RosterPageQueries.Count(0, 0);

    List<Registration> in(RegistrationState state) {
        return roster.stream().filter(r -> r.state() == state).toList();
    }

    /** Registrations in a state, also those that are not among the rows. */
    int parties(RegistrationState state) {
        return counts.getOrDefault(state, NONE).parties();
    }

    int people(RegistrationState state) {
        return counts.getOrDefault(state, NONE).people();
    }

    int parties() {
        return counts.values().stream()
                .mapToInt(RosterPageQueries.Count::parties)
                .sum();
    }

    boolean doorHasOpened() {
        return !now.isBefore(session.doorHours().opens());
    }

    boolean past() {
        return !session.end().isAfter(now);
    }
}
