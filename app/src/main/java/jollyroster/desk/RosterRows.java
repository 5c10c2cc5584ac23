package jollyroster.desk;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import jollyroster.attendance.AttendanceView;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;

/** The roster of a session's page, a row for each registration. */
final class RosterRows {

    private RosterRows() {}

    /** The page shows no more unless all are asked for. */
    static final int SHOWN = 8;

    /**
     * Seated first, then the line in its order, then those who left; each in order of registering. Of more than are shown
     * those come first who want a decision.
     */
    static List<SessionView.Row> of(SessionFacts facts, boolean everybody) {
        List<Registration> line = facts.in(RegistrationState.WAITLISTED);
        boolean all = everybody || facts.roster().size() <= SHOWN;
        return facts.roster().stream()
                .sorted(Comparator.comparingInt(r -> all ? order(r.state()) : urgency(r.state())))
                .limit(all ? facts.roster().size() : SHOWN)
                .map(r -> row(r, line.indexOf(r) + 1, facts))
                .toList();
    }

    private static int order(RegistrationState state) {
        return state.takesSeats() ? 0 : state == RegistrationState.WAITLISTED ? 1 : 2;
    }

    private static int urgency(RegistrationState state) {
        return switch (state) {
            case CALLED_UP, UNCONFIRMED -> 0;
            case WAITLISTED -> 1;
            case REGISTERED, MAYBE -> 2;
            case DECLINED, CANCELLED -> 3;
        };
    }

    private static SessionView.Row row(Registration r, int place, SessionFacts facts) {
        Session s = facts.session();
        Map<Long, String> answers = facts.answers().getOrDefault(r.id(), Map.of());
        int before = facts.before().getOrDefault(r.person(), 0);
        return new SessionView.Row(
                r.id(),
                r.state().code(),
                s.offering().word(r.state()),
                r.name(),
                r.email(),
                r.party(),
                place > 0 ? "place " + place + passedOver(r) : held(r, s),
                theirTime(s, r.zone()),
                facts.questions().stream()
                        .filter(q -> !answers.getOrDefault(q.id(), "").isEmpty())
                        .map(q -> new SessionView.Answer(q.question().label(), answers.get(q.id())))
                        .toList(),
                before == 0 ? "new" : before == 1 ? "1 session" : before + " sessions",
                AttendanceView.of(r.state(), facts.attended().get(r.id()), s, facts.now()),
                RegistrationState.ACTIVE.contains(r.state()) && !facts.past(),
                !facts.past()
                        && (r.state() == RegistrationState.WAITLISTED || r.state() == RegistrationState.CALLED_UP));
    }

    /** By when what is held must be answered, on the session's clock. */
    private static String held(Registration r, Session s) {
        return r.hold()
                .until()
                .map(at -> (r.hold().racing() ? "first to answer, by " : "until ") + Times.dayAndTime(at, s.zone()))
                .orElse("");
    }

    private static String passedOver(Registration r) {
        return switch (r.passedOver()) {
            case 0 -> "";
            case 1 -> ", passed over once";
            default -> ", passed over twice";
        };
    }

    static String theirTime(Session s, ZoneId theirs) {
        var there = s.start().atZone(theirs);
        boolean sameDay = there.toLocalDate().equals(s.zonedStart().toLocalDate());
        String day = sameDay ? "" : " " + Times.day(there).substring(0, 3);
        return Times.city(theirs) + " " + Times.time(there) + day;
    }
}
