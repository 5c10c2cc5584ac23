package jollyroster.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/**
 * Transactions on the same file with the same pragmas and one connection: the measuring stick of the store. Either one short
 * row each, or the rows of one registration each, into tables with the same columns and indexes as ours.
 */
final class RawCommits {

    private static final String PRAGMAS =
            "?journal_mode=WAL&busy_timeout=5000&foreign_keys=true&synchronous=FULL&transaction_mode=IMMEDIATE";

    private RawCommits() {}

    /** Rows of a table that belong to one registration. @param which they are, of the registration numbered ? */
    private record Part(String table, String which) {}

    private static final List<Part> REGISTRATION = List.of(
            new Part("person", "id = (SELECT person_id FROM registration WHERE id = ?)"),
            new Part("registration", "id = ?"),
            new Part("answer", "registration_id = ?"),
            new Part("logbook", "registration_id = ?"),
            new Part("message", "registration_id = ?"));

    /** Commits a second of the rows of one registration. */
    static double registrationsPerSecond(Path database, int commits) {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database + PRAGMAS)) {
            copyTables(connection);
            List<List<Object[]>> rows = rows(connection, commits + commits / 4);
            connection.setAutoCommit(false);
            insert(connection, rows.subList(0, commits / 4));
            long begun = System.nanoTime();
            insert(connection, rows.subList(commits / 4, rows.size()));
            return (rows.size() - commits / 4) / ((System.nanoTime() - begun) / 1e9);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Empty tables with the same columns and indexes, without the references. */
    private static void copyTables(Connection connection) throws SQLException {
        for (Part part : REGISTRATION) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("DROP TABLE IF EXISTS stick_" + part.table());
                statement.execute(
                        "CREATE TABLE stick_" + part.table() + " AS SELECT * FROM " + part.table() + " LIMIT 0");
                for (String index : indexes(connection, part.table())) {
                    statement.execute(index);
                }
            }
        }
    }

    private static List<String> indexes(Connection connection, String table) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet found = statement.executeQuery(
                        "SELECT sql FROM sqlite_master WHERE type = 'index' AND sql IS NOT NULL AND tbl_name = '"
                                + table + "'")) {
            while (found.next()) {
                all.add(found.getString(1)
                        .replaceFirst("INDEX (\\w+) ON " + table, "INDEX stick_$1 ON stick_" + table));
            }
        }
        if (table.equals("person")) {
            all.add("CREATE UNIQUE INDEX stick_person_email ON stick_person (email)");
        } else if (table.equals("message")) {
            all.add("CREATE UNIQUE INDEX stick_message_key ON stick_message (registration_id, message_key)");
        }
        return all;
    }

    /** For each of the latest registrations, the rows that were written with it. */
    private static List<List<Object[]>> rows(Connection connection, int registrations) throws SQLException {
        List<Long> ids = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet found =
                        statement.executeQuery("SELECT id FROM registration ORDER BY id DESC LIMIT " + registrations)) {
            while (found.next()) {
                ids.add(found.getLong(1));
            }
        }
        List<List<Object[]>> all = new ArrayList<>();
        for (long id : ids) {
            List<Object[]> rows = new ArrayList<>();
            for (int part = 0; part < REGISTRATION.size(); part++) {
                read(connection, part, id, rows);
            }
            all.add(rows);
        }
        return all;
    }

    /** Each row begins with the number of its part. */
    private static void read(Connection connection, int part, long registration, List<Object[]> rows)
            throws SQLException {
        Part of = REGISTRATION.get(part);
        try (PreparedStatement statement =
                connection.prepareStatement("SELECT * FROM " + of.table() + " WHERE " + of.which())) {
            statement.setLong(1, registration);
            try (ResultSet found = statement.executeQuery()) {
                int columns = found.getMetaData().getColumnCount();
                while (found.next()) {
                    Object[] row = new Object[columns + 1];
                    row[0] = part;
                    for (int column = 1; column <= columns; column++) {
                        row[column] = found.getObject(column);
                    }
                    rows.add(row);
                }
            }
        }
    }

    private static void insert(Connection connection, List<List<Object[]>> registrations) throws SQLException {
        List<PreparedStatement> inserts = new ArrayList<>();
        for (Part part : REGISTRATION) {
            inserts.add(connection.prepareStatement("INSERT INTO stick_" + part.table() + " VALUES ("
                    + "?, ".repeat(columns(connection, part.table()) - 1) + "?)"));
        }
        for (List<Object[]> rows : registrations) {
            for (Object[] row : rows) {
                PreparedStatement insert = inserts.get((Integer) row[0]);
                for (int column = 1; column < row.length; column++) {
                    insert.setObject(column, row[column]);
                }
                insert.executeUpdate();
            }
            connection.commit();
        }
        for (PreparedStatement insert : inserts) {
            insert.close();
        }
    }

    private static int columns(Connection connection, String table) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet none = statement.executeQuery("SELECT * FROM " + table + " LIMIT 0")) {
            return none.getMetaData().getColumnCount();
        }
    }

    /** Commits a second of one short row. */
    static double perSecond(Path database, int commits) {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database + PRAGMAS)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(
                        "CREATE TABLE IF NOT EXISTS bench_row (id INTEGER PRIMARY KEY, text TEXT NOT NULL) STRICT");
            }
            connection.setAutoCommit(false);
            shortRows(connection, commits / 4);
            long begun = System.nanoTime();
            shortRows(connection, commits);
            return commits / ((System.nanoTime() - begun) / 1e9);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void shortRows(Connection connection, int commits) throws SQLException {
        try (PreparedStatement insert = connection.prepareStatement("INSERT INTO bench_row (text) VALUES (?)")) {
            for (int i = 0; i < commits; i++) {
                insert.setString(1, "a row, number " + i);
                insert.executeUpdate();
                connection.commit();
            }
        }
    }
}
