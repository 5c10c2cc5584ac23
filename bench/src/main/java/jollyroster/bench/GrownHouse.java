package jollyroster.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/**
 * Years of an organisation, written into a copy of the demo's data: 620 sessions, 500 of them past dates of one offering,
 * 50,000 people, 120,000 registrations with a message and a line in the logbook each.
 */
final class GrownHouse {

    /** The offering with five hundred past dates. */
    static final String LONG_RUNNING = "/p/grown-0";

    private static final String KNOTS = "2";

    private static final String OFFERING =
            "INSERT INTO offering (%1$s) SELECT %2$s FROM offering, n WHERE id = " + KNOTS;

    private static final String TEN = "WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 9) ";

    /** The first offering was held on each of five hundred days; it and nine others go on weekly, each on a day of its own. */
    private static final List<String> ROWS = List.of("""
            INSERT INTO session (offering_id, starts_at, ends_at, zone, seats, kept_back, status, sequence, created_at,
                wall_start, zone_data)
            WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 511),
              o AS (SELECT id, zone, CAST(substr(slug, 7) AS INTEGER) AS nth FROM offering WHERE slug LIKE 'grown-%'),
              d AS (SELECT o.id, o.zone, CASE WHEN nth = 0 AND i < 500 THEN i - 500 ELSE (i - 500) * 7 + nth % 7 END AS day,
                  CASE WHEN nth < 7 THEN 11 ELSE 18 END AS hour
                FROM n, o WHERE nth = 0 OR i BETWEEN 494 AND 505)
            SELECT id, strftime('%Y-%m-%dT%H:%M:%fZ', '2027-03-11', day || ' days', (hour + 4) || ' hours'),
                strftime('%Y-%m-%dT%H:%M:%fZ', '2027-03-11', day || ' days', (hour + 6) || ' hours'), zone, 250, 0, 'OPEN', 0,
                '2026-01-01T00:00:00.000Z', strftime('%Y-%m-%dT%H:%M', '2027-03-11', day || ' days', hour || ' hours'),
                (SELECT zone_data FROM session WHERE zone_data <> '' LIMIT 1)
            FROM d
            """, """
            INSERT INTO person (email, name, folded, phone, zone, created_at, generation)
            WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 49999)
            SELECT 'grown' || i || '@crew.example', 'Crew Member ' || i,
                'crew member ' || i || char(10) || 'grown' || i || '@crew.example', '', 'America/Halifax',
                '2026-01-01T00:00:00.000Z', 1 FROM n
            """, """
            INSERT INTO person_part (rowid, folded)
            SELECT id, folded FROM person WHERE id > (SELECT coalesce(max(rowid), 0) FROM person_part) ORDER BY id
            """, """
            INSERT INTO registration (session_id, person_id, state, party, passed_over, generation, name, zone, created_at,
                changed_at, seated_at, settled_for)
            WITH s AS (SELECT session.id, row_number() OVER (ORDER BY session.id) - 1 AS nth FROM session
                JOIN offering o ON o.id = offering_id WHERE o.slug LIKE 'grown-%'),
              p AS (SELECT id, name, row_number() OVER (ORDER BY id) - 1 AS nth FROM person WHERE email LIKE 'grown%'),
              n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 119999)
            SELECT s.id, p.id, 'REGISTERED', 1, 0, 1, p.name, 'America/Halifax', '2026-06-01T12:00:00.000Z',
                '2026-06-01T12:00:00.000Z', '2026-06-01T12:00:00.000Z', 1
            FROM n JOIN s ON s.nth = i % (SELECT count(*) FROM s) JOIN p ON p.nth = i % 50000
            """, """
            INSERT INTO message (message_key, registration_id, session_id, anchor, amount, unit, recipient, subject, state,
                reason, attempts, nominal_at, due_at, done_at, created_at)
            SELECT 'grown-' || id, id, session_id, 'REGISTERED', 0, 'MINUTES', 'crew@crew.example', 'You are registered', 'SENT', '', 1,
                created_at, created_at, created_at, created_at FROM registration WHERE created_at = '2026-06-01T12:00:00.000Z'
            """, """
            INSERT INTO logbook (written_at, actor, session_id, registration_id, entry, detail, actor_kind, facts)
            SELECT created_at, name, session_id, id, 'SEATED', '', 'PERSON', '{"state":"REGISTERED","party":1,"before":0}'
            FROM registration WHERE created_at = '2026-06-01T12:00:00.000Z'
            """);

    private GrownHouse() {}

    static void grow(Path store) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + store);
                Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            statement.execute(TEN + offerings(statement));
            for (String rows : ROWS) {
                statement.execute(rows);
            }
            connection.commit();
        }
    }

    /** The knots bench ten times over, each by a name of its own. */
    private static String offerings(Statement statement) throws SQLException {
        StringBuilder columns = new StringBuilder();
        StringBuilder values = new StringBuilder();
        var info = statement.executeQuery("SELECT name FROM pragma_table_info('offering') WHERE name <> 'id'");
        while (info.next()) {
            String name = info.getString(1);
            columns.append(columns.isEmpty() ? "" : ", ").append(name);
            values.append(values.isEmpty() ? "" : ", ").append(value(name));
        }
        return OFFERING.formatted(columns, values);
    }

    private static String value(String column) {
        return switch (column) {
            case "slug" -> "'grown-' || i";
            case "short_code" -> "'grown' || i";
            case "title" -> "'Evening at the bench ' || i";
            case "seats" -> "250";
            case "venue_id" -> "NULL";
            default -> column;
        };
    }
}
