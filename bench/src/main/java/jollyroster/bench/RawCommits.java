package jollyroster.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;

/** Transactions of a few rows on the same file with the same pragmas and one connection: the measuring stick of the store. */
final class RawCommits {

    private static final String PRAGMAS =
            "?journal_mode=WAL&busy_timeout=5000&foreign_keys=true&synchronous=FULL&transaction_mode=IMMEDIATE";

    private RawCommits() {}

    /** @param rows in each transaction */
    static double perSecond(Path database, int commits, int rows) {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database + PRAGMAS)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(
                        "CREATE TABLE IF NOT EXISTS bench_row (id INTEGER PRIMARY KEY, text TEXT NOT NULL) STRICT");
            }
            connection.setAutoCommit(false);
            insert(connection, commits / 4, rows);
            long begun = System.nanoTime();
            insert(connection, commits, rows);
            return commits / ((System.nanoTime() - begun) / 1e9);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void insert(Connection connection, int commits, int rows) throws SQLException {
        try (PreparedStatement insert = connection.prepareStatement("INSERT INTO bench_row (text) VALUES (?)")) {
            for (int i = 0; i < commits; i++) {
                for (int row = 0; row < rows; row++) {
                    insert.setString(1, "a row of about the length of a registration, number " + i);
                    insert.executeUpdate();
                }
                connection.commit();
            }
        }
    }
}
