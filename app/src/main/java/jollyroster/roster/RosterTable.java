package jollyroster.roster;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.answers.ExportQueries;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.attendance.AttendanceView;
import jollyroster.exchange.Tables;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** The roster as a table for a spreadsheet, with who was there; written row by row as it is read. */
@Component
class RosterTable {

    private final ProgrammeQueries programme;
    private final ExportQueries rows;
    private final AttendanceQueries attendance;
    private final Clock clock;

    RosterTable(ProgrammeQueries programme, ExportQueries rows, AttendanceQueries attendance, Clock clock) {
        this.programme = programme;
        this.rows = rows;
        this.attendance = attendance;
        this.clock = clock;
    }

    void write(Session session, OutputStream out) throws IOException {
        Instant now = clock.instant();
        List<AskedQuestion> questions = programme.questions(session.offering().id());
        List<Long> ids = questions.stream().map(AskedQuestion::id).toList();
        Map<Long, Attended> attended = attendance.ofSession(session.id(), session.span(), now);
        try (Tables table = new Tables(out, heading(questions))) {
            table.rows(add -> rows.stream(session.book(), ids, row -> {
                Attended known = attended.get(row.registration());
                add.accept(cells(row, ids, AttendanceView.of(row.state(), known, session, now)));
            }));
        }
    }

    private static List<String> heading(List<AskedQuestion> questions) {
        List<String> heading =
                new ArrayList<>(List.of("state", "name", "email", "phone", "people", "zone", "registered"));
        questions.forEach(q -> heading.add(q.question().label()));
        heading.addAll(List.of("minutes present", "share", "verdict"));
        return heading;
    }

    private static List<String> cells(ExportQueries.Row row, List<Long> questions, AttendanceView there) {
        List<String> cells = new ArrayList<>(List.of(
                row.state().word(),
                row.name(),
                row.email(),
                row.phone(),
                String.valueOf(row.party()),
                row.zone(),
                row.registered()));
        questions.forEach(q -> cells.add(row.answers().getOrDefault(q, "")));
        cells.addAll(List.of(there.minutes().replace(" min", ""), there.share(), there.word()));
        return cells;
    }
}
