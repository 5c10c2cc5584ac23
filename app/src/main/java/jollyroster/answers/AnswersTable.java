package jollyroster.answers;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.exchange.Tables;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Rosters as a table: a row a registration, a column a question, written row by row as they are read. */
@Component
public class AnswersTable {

    private final ExportQueries rows;

    AnswersTable(ExportQueries rows) {
        this.rows = rows;
    }

    /** @param sessions whose rosters, in order */
    public void write(OutputStream out, List<Session> sessions, List<AskedQuestion> questions) throws IOException {
        List<Long> ids = questions.stream().map(AskedQuestion::id).toList();
        try (Tables table = new Tables(out, heading(questions))) {
            for (Session s : sessions) {
                String starts = s.start().toString();
                table.rows(add -> rows.stream(
                        s.id(), ids, ExportQueries.Answers.JOINED, row -> add.accept(cells(starts, row, ids))));
            }
        }
    }

    private static List<String> heading(List<AskedQuestion> questions) {
        List<String> heading = new ArrayList<>(List.of(
                "starts", "state", "name", "email", "phone", "people", "companions", "zone", "registered", "note"));
        questions.forEach(q -> heading.add(q.question().label()));
        return heading;
    }

    private static List<String> cells(String starts, ExportQueries.Row row, List<Long> questions) {
        List<String> cells = new ArrayList<>(List.of(
                starts,
                row.state().word(),
                row.name(),
                row.email(),
                row.phone(),
                String.valueOf(row.party()),
                row.companions().replace("\n", "; "),
                row.zone(),
                row.registered(),
                row.note()));
        Map<Long, String> answers = row.answers();
        questions.forEach(q -> cells.add(answers.getOrDefault(q, "")));
        return cells;
    }
}
