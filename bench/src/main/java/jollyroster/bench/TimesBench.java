package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/**
 * Open times over HTTP: a week of a clinic that ten hosts lead, each with five thousand blocks in a busy calendar over a year,
 * beside the empty page. Usage: {@code TimesBench <jar>}.
 */
public final class TimesBench {

    private static final int CLIENTS = 4;
    private static final int REQUESTS = 600;
    private static final int ROUNDS = 3;
    private static final String CLINIC = "/p/passage-plan-clinic";
    private static final String CLINIC_ID = "(SELECT id FROM offering WHERE slug = 'passage-plan-clinic')";

    /** Ten hosts, busy for a quarter of an hour at a time, every 105 minutes from new year on. */
    private static final List<String> ROWS = List.of(
            """
            INSERT INTO account (email, name, role, password_hash, created_at)
            WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 9)
            SELECT 'bench' || i || '@saltmarrow.example', 'Bench Host ' || i, 'HOST', '', '2027-01-01T00:00:00.000Z' FROM n
            """, "DELETE FROM offering_host WHERE offering_id = " + CLINIC_ID, """
            INSERT INTO offering_host (offering_id, account_id, place)
            SELECT %s, id, id FROM account WHERE email LIKE 'bench%%'
            """.formatted(CLINIC_ID), """
            INSERT INTO busy_calendar (account_id, name, address, problem)
            SELECT id, 'Busy', '', '' FROM account WHERE email LIKE 'bench%'
            """, """
            INSERT INTO busy_block (calendar_id, starts_at, ends_at)
            WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 4999)
            SELECT c.id, strftime('%Y-%m-%dT%H:%M:%fZ', '2027-01-01', (105 * i + 7 * c.id) || ' minutes'),
                strftime('%Y-%m-%dT%H:%M:%fZ', '2027-01-01', (105 * i + 7 * c.id + 15) || ' minutes')
            FROM busy_calendar c JOIN account a ON a.id = c.account_id, n WHERE a.email LIKE 'bench%'
            """);

    private TimesBench() {}

    public static void main(String[] args) throws IOException, InterruptedException, SQLException {
        Path jar = Path.of(args[0]);
        Path folder = Files.createTempDirectory("jolly-times");
        Server.start(jar, folder).close();
        fill(folder.resolve("jolly-roster.db"));
        List<String> arguments = List.of("--spring.profiles.active=demo,bench", "--jolly.jobs.auto=false");
        try (Server server = Server.ours(jar, folder, CLINIC, arguments)) {
            measure(new Driver(server.port(), CLIENTS));
        } finally {
            Bench.delete(folder);
        }
    }

    private static void fill(Path store) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + store);
                Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            for (String rows : ROWS) {
                statement.executeUpdate(rows);
            }
            connection.commit();
        }
    }

    private static void measure(Driver driver) throws InterruptedException {
        String week = CLINIC + "/times?from=2027-03-15&days=7";
        String page = CLINIC + "?from=2027-03-15";
        Rates rates = new Rates();
        for (String warm : List.of(week, page, "/empty")) {
            driver.pages(warm, REQUESTS);
        }
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("empty page", driver.pages("/empty", REQUESTS));
            rates.add("times of a week", driver.pages(week, REQUESTS));
            rates.add("page to pick from", driver.pages(page, REQUESTS));
        }
        rates.print();
        rates.inTimeAtMost("times of a week", "empty page", 3);
    }
}
