package jollyroster.signup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import jollyroster.Browserless;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real process, killed while people register: nothing that was confirmed is lost, and the outbox goes on. */
@Tag("server")
class CrashTest {

    private static final int CLIENTS = 4;
    private static final int MOST_EACH = 400;
    private static final int ENOUGH = 25;

    @TempDir
    Path folder;

    private Process process;

    @AfterEach
    void end() {
        if (process != null) {
            process.destroyForcibly();
        }
    }

    @Test
    void every_confirmation_that_was_shown_survives_and_its_letter_goes() throws Exception {
        int port = freePort();
        start(port);
        List<String> waiting = knock(port);
        Browserless holder = new Browserless(port);
        String held = hold(holder);
        Map<String, String> confirmed = new ConcurrentHashMap<>();
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        for (int client = 0; client < CLIENTS; client++) {
            int number = client;
            clients.submit(() -> registerUntilItBreaks(port, number, confirmed));
        }
        await().atMost(Duration.ofMinutes(2)).until(() -> confirmed.size() >= ENOUGH);
        process.destroyForcibly().waitFor();
        clients.shutdown();
        assertThat(clients.awaitTermination(2, TimeUnit.MINUTES)).isTrue();

        start(port);
        assertThat(holder.get(held).document().select("#ask .held").text()).startsWith("held for you until");
        assertThat(new Browserless(port).get(held).document().select("main").text())
                .as("what was held stays held for its browser")
                .contains("is taken, or cannot be picked any more");
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("jolly-roster.db"))) {
            await().atMost(Duration.ofMinutes(2)).until(() -> number(store, UNSENT) == 0);
            assertThat(atTheDoor(port, store))
                    .as("everybody waits, in their order")
                    .containsSubsequence(waiting);
            assertThat(states(store)).containsAllEntriesOf(confirmed);
            assertThat(number(store, SEATS_SOLD_TWICE)).isZero();
            Map<String, Integer> letters = lettersByKey(store);
            assertThat(letters.keySet()).containsAll(confirmed.keySet());
            assertThat(letters.values().stream().filter(copies -> copies > 1).count())
                    .as("only what was in hand when the process was killed may go twice")
                    .isLessThanOrEqualTo(1);
        }
    }

    /** Picks a time with a host. @return the address of its form */
    private static String hold(Browserless holder) {
        var page = holder.get(CLINIC).document();
        String withHost = page.select(".pick-head nav a").get(1).attr("href");
        String host = withHost.replaceAll(".*host=(\\d+).*", "$1");
        String start = holder.get(CLINIC + "?host=" + host)
                .document()
                .select(".tide-day button")
                .last()
                .attr("value");
        holder.post(CLINIC, CLINIC + "/pick", Map.of("start", start, "host", host));
        return CLINIC + "?host=" + host + "&start=" + start;
    }

    /** Strangers at the door of the webinar, which is open at 11:55. @return their names as they stand in line */
    private static List<String> knock(int port) {
        Browserless desk = Browserless.organiser(port);
        for (String by : List.of("1h", "1h", "15m")) {
            desk.post("/desk", "/desk/clock", Map.of("by", by, "back", "/desk"));
        }
        desk.post(DOOR, DOOR + "/guest-link", Map.of("scope", "session"));
        String link = URI.create(
                        desk.get(DOOR).document().select("#way-session").attr("value"))
                .getPath();
        List<String> names = IntStream.range(0, STRANGERS)
                .mapToObj(i -> "Stranger Number" + i)
                .toList();
        names.forEach(name -> assertThat(new Browserless(port)
                        .post(link, link + "/knock", Map.of("name", name))
                        .status())
                .isEqualTo(302));
        return names;
    }

    /** All who wait; the desk shows the first of them. */
    private static List<String> atTheDoor(int port, Connection store) throws SQLException {
        List<String> names = new ArrayList<>();
        try (Statement statement = store.createStatement();
                ResultSet row = statement.executeQuery(
                        "select name from arrival where state = 'WAITING' order by arrived_at, id")) {
            while (row.next()) {
                names.add(row.getString(1));
            }
        }
        List<String> shown = new Browserless(port)
                .signIn()
                .get(DOOR)
                .document()
                .select(".knocks .who b bdi")
                .eachText();
        assertThat(names).startsWith(shown.toArray(String[]::new));
        return names;
    }

    private static final String DOOR = "/desk/door/3";
    private static final int STRANGERS = 200;
    private static final String CLINIC = "/p/passage-plan-clinic";
    private static final String UNSENT =
            "select count(*) from message where anchor = 'REGISTERED' and state in ('PLANNED', 'SENDING')";

    private static final String SEATS_SOLD_TWICE = """
            select count(*) from session s
            where s.seats > 0 and s.seats < (
              select coalesce(sum(r.party), 0) from registration r
              where r.session_id = s.id and r.state in ('REGISTERED', 'UNCONFIRMED', 'CALLED_UP') and not r.is_racing)
            """;

    private static int number(Connection store, String question) throws SQLException {
        try (Statement statement = store.createStatement();
                ResultSet found = statement.executeQuery(question)) {
            return found.getInt(1);
        }
    }

    /** How those who came in this test stand, by address. */
    private static Map<String, String> states(Connection store) throws SQLException {
        return read(
                store,
                "select p.email, lower(r.state) from registration r join person p on p.id = r.person_id "
                        + "where p.email like 'crash%'",
                row -> row.getString(2));
    }

    /** How many copies of each confirmation of this test arrived, by address. */
    private static Map<String, Integer> lettersByKey(Connection store) throws SQLException {
        return read(
                store,
                "select t.recipient, count(*) from tray_mail t join message m on m.message_key = t.message_key "
                        + "where m.anchor = 'REGISTERED' and t.recipient like 'crash%' group by t.message_key",
                row -> row.getInt(2));
    }

    private interface Column<T> {
        T of(ResultSet row) throws SQLException;
    }

    private static <T> Map<String, T> read(Connection store, String question, Column<T> column) throws SQLException {
        Map<String, T> all = new HashMap<>();
        try (Statement statement = store.createStatement();
                ResultSet row = statement.executeQuery(question)) {
            while (row.next()) {
                all.put(row.getString(1), column.of(row));
            }
        }
        return all;
    }

    private static void registerUntilItBreaks(int port, int client, Map<String, String> confirmed) {
        Browserless visitor = new Browserless(port);
        String page = "/p/marine-vhf-radio-procedure";
        try {
            var form = visitor.get(page);
            String session =
                    form.document().select("input[name=session]").last().attr("value");
            for (int i = 0; i < MOST_EACH; i++) {
                String email = "crash" + client + "x" + i + "@crew.example";
                Map<String, String> fields = Map.of(
                        "session",
                        session,
                        "name",
                        "Crew Member",
                        "email",
                        email,
                        "party",
                        "1",
                        "q.what_do_you_hold",
                        "None yet",
                        "_csrf",
                        form.csrf());
                var done = visitor.postAsIs(page + "/register", fields);
                if (!done.state().isEmpty()) {
                    confirmed.put(email, done.state());
                }
            }
        } catch (java.io.UncheckedIOException killed) {
            // The process was killed under us, which is the point.
        }
    }

    private void start(int port) throws IOException {
        process = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "jollyroster.JollyRoster",
                        "--spring.profiles.active=demo",
                        "--jolly.data=" + folder,
                        "--server.port=" + port))
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("out.log").toFile())
                .start();
        Browserless visitor = new Browserless(port);
        await().atMost(Duration.ofMinutes(3)).ignoreExceptions().until(() -> {
            assertThat(process.isAlive()).isTrue();
            return visitor.get("/actuator/health/readiness").status() == 200
                    && visitor.get("/p/marine-vhf-radio-procedure").status() == 200;
        });
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}
