package jollyroster.roster;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import jollyroster.answers.ExportQueries;
import jollyroster.answers.ExportQueries.Answers;
import jollyroster.answers.ExportQueries.Row;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.attendance.AttendanceView;
import jollyroster.exchange.Tables;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.till.Money;
import jollyroster.till.PaymentQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The roster as a table for a spreadsheet, with who was there and who paid; written row by row as it is read. */
@Component
class RosterTable {

    private static final List<String> MONEY = List.of("currency", "paid", "open", "refunded");
    private final ProgrammeQueries programme;
    private final ExportQueries rows;
    private final AttendanceQueries attendance;
    private final PaymentQueries payments;
    private final Clock clock;

    RosterTable(
            ProgrammeQueries programme,
            ExportQueries rows,
            AttendanceQueries attendance,
            PaymentQueries payments,
            Clock clock) {
        this.programme = programme;
        this.rows = rows;
        this.attendance = attendance;
        this.payments = payments;
        this.clock = clock;
    }

    /** What is the same for all rows. @param companions columns for them */
    private record Frame(
            Session session,
            List<AskedQuestion> questions,
            List<Long> ids,
            int companions,
            Map<Long, Attended> attended,
            Map<Long, Money> money,
            boolean priced,
            Instant now) {

        ZoneId zone() {
            return session.zone();
        }
    }

    /** A row for each registration, its companions in columns. */
    void write(Session session, OutputStream out) throws IOException {
        Frame frame = frame(session);
        List<String> heading = new ArrayList<>(
                List.of("state", "name", "email", "phone", "people", "zone", "registered (" + frame.zone() + ")"));
        IntStream.rangeClosed(1, frame.companions()).forEach(i -> heading.add("companion " + i));
        addRest(heading, frame);
        try (Tables table = new Tables(out, heading)) {
            table.rows(add ->
                    rows.stream(session.book(), frame.ids(), Answers.JOINED, row -> add.accept(cells(row, frame))));
        }
    }

    /** A row for each person: whoever registered, then each companion, with their own answers. */
    void writeEach(Session session, OutputStream out) throws IOException {
        Frame frame = frame(session);
        List<String> heading = new ArrayList<>(
                List.of("state", "name", "comes with", "email", "phone", "registered (" + frame.zone() + ")"));
        frame.questions().forEach(q -> heading.add(q.question().label()));
        try (Tables table = new Tables(out, heading)) {
            table.rows(add -> rows.stream(
                    session.book(),
                    frame.ids(),
                    Answers.APART,
                    row -> people(row, frame).forEach(add)));
        }
    }

    private Frame frame(Session session) {
        Instant now = clock.instant();
        boolean priced = session.offering().signUp().isPaid();
        List<AskedQuestion> questions = programme.questions(session.offering().id());
        return new Frame(
                session,
                questions,
                questions.stream().map(AskedQuestion::id).toList(),
                rows.largestParty(session.book()) - 1,
                attendance.ofSession(session.id(), session.held(), now),
                priced ? payments.onSession(session) : Map.of(),
                priced,
                now);
    }

    private static void addRest(List<String> heading, Frame frame) {
        frame.questions().forEach(q -> heading.add(q.question().label()));
        if (frame.priced()) {
            heading.addAll(MONEY);
        }
        heading.addAll(List.of("minutes present", "share", "verdict"));
    }

    private static List<String> cells(Row row, Frame frame) {
        List<String> cells = new ArrayList<>(List.of(
                row.state().word(),
                row.name(),
                row.email(),
                row.phone(),
                String.valueOf(row.party()),
                row.zone(),
                registered(row, frame)));
        addCompanions(cells, row, frame.companions());
        for (Long question : frame.ids()) {
            cells.add(row.answers().getOrDefault(question, ""));
        }
        if (frame.priced()) {
            cells.addAll(money(frame.money().get(row.registration())));
        }
        AttendanceView there =
                AttendanceView.of(row.state(), frame.attended().get(row.registration()), frame.session(), frame.now());
        cells.addAll(List.of(there.minutes().replace(" min", ""), there.share(), there.word()));
        return cells;
    }

    private static List<String> money(@Nullable Money money) {
        return Optional.ofNullable(money)
                .map(m -> List.of(
                        m.paid().currency().getCurrencyCode(),
                        m.paid().amount(),
                        m.open().amount(),
                        m.back().amount()))
                .orElseGet(() -> Collections.nCopies(MONEY.size(), ""));
    }

    private static void addCompanions(List<String> cells, Row row, int columns) {
        List<String> names = row.companions().isEmpty()
                ? List.of()
                : row.companions().lines().limit(row.party() - 1L).toList();
        for (int i = 0; i < columns; i++) {
            cells.add(i < names.size() ? names.get(i) : "");
        }
    }

    /** On the session's clock, to the minute. Instants are fixed-width text, which is read five times as fast as ISO 8601. */
    private static String registered(Row row, Frame frame) {
        String at = row.registered();
        LocalDateTime utc = LocalDateTime.of(
                number(at, 0, 4), number(at, 5, 7), number(at, 8, 10), number(at, 11, 13), number(at, 14, 16));
        ZoneOffset offset = frame.zone().getRules().getOffset(utc.toInstant(ZoneOffset.UTC));
        return utc.plusSeconds(offset.getTotalSeconds()).toString().replace('T', ' ');
    }

    private static int number(String text, int from, int to) {
        return Integer.parseInt(text, from, to, 10);
    }

    private static List<List<String>> people(Row row, Frame frame) {
        List<List<String>> people = new ArrayList<>();
        people.add(person(row, frame, row.name(), "", row.answers()));
        List<String> names = row.companions().lines().toList();
        for (int i = 1; i < row.party(); i++) {
            String name = i <= names.size() ? names.get(i - 1) : "";
            people.add(
                    person(row, frame, name, row.name(), row.companionAnswers().getOrDefault(i, Map.of())));
        }
        return people;
    }

    /** @param with whose companion it is; empty for whoever registered */
    private static List<String> person(Row row, Frame frame, String name, String with, Map<Long, String> answers) {
        boolean own = with.isEmpty();
        List<String> cells = new ArrayList<>(List.of(
                row.state().word(),
                name,
                with,
                own ? row.email() : "",
                own ? row.phone() : "",
                registered(row, frame)));
        frame.ids().forEach(q -> cells.add(answers.getOrDefault(q, "")));
        return cells;
    }
}
