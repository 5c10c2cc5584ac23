package jollyroster.desk;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.exchange.Tables;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.roster.Registration;
import jollyroster.roster.RosterPageQueries;
import jollyroster.roster.RosterPageQueries.Filter;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The roster as a table for a spreadsheet, read and written a part at a time, so that its length does not matter. */
@Component
class RosterTable {

    private static final int AT_A_TIME = 500;
    private final ProgrammeQueries programme;
    private final RosterPageQueries pages;
    private final AttendanceQueries attendance;
    private final Clock clock;

    RosterTable(ProgrammeQueries programme, RosterPageQueries pages, AttendanceQueries attendance, Clock clock) {
        this.programme = programme;
        this.pages = pages;
        this.attendance = attendance;
        this.clock = clock;
    }

    void write(Session session, OutputStream out) throws IOException {
        List<AskedQuestion> questions = programme.questions(session.offering().id());
        Map<Long, Attended> attended = attendance.ofSession(session.id(), session.span(), clock.instant());
        try (Tables table = new Tables(out, heading(questions))) {
            List<Registration> some = part(session, 0);
            while (!some.isEmpty()) {
                Map<Long, Map<Long, String>> answers =
                        pages.answers(some.stream().map(Registration::id).toList());
                for (Registration r : some) {
                    table.row(
                            cells(r, session, questions, answers.getOrDefault(r.id(), Map.of()), attended.get(r.id())));
                }
                some = some.size() < AT_A_TIME
                        ? List.of()
                        : part(session, some.get(some.size() - 1).id());
            }
        }
    }

    private List<Registration> part(Session session, long after) {
        return pages.page(session.book(), Filter.everybody(), after, AT_A_TIME);
    }

    private static List<String> heading(List<AskedQuestion> questions) {
        List<String> heading =
                new ArrayList<>(List.of("state", "name", "email", "phone", "people", "zone", "registered"));
        questions.forEach(q -> heading.add(q.question().label()));
        heading.addAll(List.of("minutes present", "share", "verdict"));
        return heading;
    }

    private List<String> cells(
            Registration r,
            Session session,
            List<AskedQuestion> questions,
            Map<Long, String> answers,
            @Nullable Attended attended) {
        SessionView.Attendance there = RosterRows.attendance(r, attended, session, clock.instant());
        List<String> cells = new ArrayList<>(List.of(
                r.state().word(),
                r.name(),
                r.email(),
                r.phone(),
                String.valueOf(r.party()),
                r.zone().getId(),
                r.registeredAt().toString()));
        questions.forEach(q -> cells.add(answers.getOrDefault(q.id(), "")));
        cells.addAll(List.of(there.minutes().replace(" min", ""), there.share(), there.word()));
        return cells;
    }
}
