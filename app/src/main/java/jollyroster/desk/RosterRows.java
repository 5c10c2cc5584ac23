package jollyroster.desk;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.core.dates.Interval;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import org.jspecify.annotations.Nullable;

/** The roster of a session's page, a row for each registration. */
final class RosterRows {

    private RosterRows() {}

    /** Seated first, then the line in its order, then those who left; each in order of registering. */
    static List<SessionView.Row> of(SessionFacts facts) {
        List<Registration> line = facts.in(RegistrationState.WAITLISTED);
        return facts.roster().stream()
                .sorted(Comparator.comparingInt(r -> order(r.state())))
                .map(r -> row(r, line.indexOf(r) + 1, facts))
                .toList();
    }

    private static int order(RegistrationState state) {
        return state.takesSeats() ? 0 : state == RegistrationState.WAITLISTED ? 1 : 2;
    }

    private static SessionView.Row row(Registration r, int place, SessionFacts facts) {
        Session s = facts.session();
        Map<Long, String> answers = facts.answers().getOrDefault(r.id(), Map.of());
        int before = facts.before().getOrDefault(r.person(), 0);
        return new SessionView.Row(
                r.id(),
                r.state().code(),
                r.state().word(),
                r.name(),
                r.email(),
                r.party(),
                place > 0 ? "place " + place + passedOver(r) : held(r, s),
                theirTime(s, r.zone()),
                facts.questions().stream()
                        .map(q -> answers.getOrDefault(q.id(), ""))
                        .toList(),
                before == 0 ? "new" : before == 1 ? "1 session" : before + " sessions",
                attendance(r.state(), facts.attended().get(r.id()), s, facts.now()),
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
        return r.passedOver() == 0 ? "" : ", passed over " + r.passedOver() + "×";
    }

    static String theirTime(Session s, ZoneId theirs) {
        var there = s.start().atZone(theirs);
        boolean sameDay = there.toLocalDate().equals(s.zonedStart().toLocalDate());
        String day = sameDay ? "" : " " + Times.day(there).substring(0, 3);
        return Times.city(theirs) + " " + Times.time(there) + day;
    }

    /** @param a what is known of it; {@code null} for nothing */
    static SessionView.Attendance attendance(RegistrationState state, @Nullable Attended a, Session s, Instant now) {
        if (a == null) {
            boolean absent = state == RegistrationState.REGISTERED && !now.isBefore(s.end());
            return new SessionView.Attendance(
                    absent ? "absent" : "none",
                    absent ? "absent" : "",
                    "",
                    "",
                    false,
                    "",
                    new SessionView.Bar(List.of()));
        }
        boolean running = a.inside() && now.isBefore(s.doorHours().closes());
        String code =
                a.byHand().isEmpty() && running ? "inside" : a.verdict().name().toLowerCase(Locale.ROOT);
        boolean seen = !a.presence().spans().isEmpty();
        return new SessionView.Attendance(
                code,
                code.equals("inside") ? "inside now" : code,
                seen ? a.presence().time().toMinutes() + " min" : "",
                seen ? String.format(Locale.ENGLISH, "%.1f %%", a.presence().share() * 100) : "",
                a.byHand().isPresent(),
                a.byHand()
                        .map(m -> "marked by " + m.by() + "; computed: "
                                + a.computed().name().toLowerCase(Locale.ROOT))
                        .orElse(""),
                bar(s.span(), a.presence().spans()));
    }

    private static SessionView.Bar bar(Interval window, List<Interval> spans) {
        double all = window.length().toSeconds();
        return new SessionView.Bar(spans.stream()
                .map(span -> new SessionView.Bar.Span(
                        Duration.between(window.start(), span.start()).toSeconds() * 100 / all,
                        span.length().toSeconds() * 100 / all))
                .toList());
    }
}
