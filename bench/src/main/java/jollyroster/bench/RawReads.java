package jollyroster.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;

/** Reads the rows that a roster's table is made from, and nothing more: the measuring stick of the table. */
final class RawReads {

    private static final String PEOPLE = "SELECT r.id, r.state, r.name, r.party, r.zone, r.created_at, p.email, p.phone"
            + " FROM registration r JOIN person p ON p.id = r.person_id WHERE r.session_id = ? ORDER BY r.id";
    private static final String ANSWERS = "SELECT a.registration_id, a.question_id, a.value"
            + " FROM answer a JOIN registration r ON r.id = a.registration_id WHERE r.session_id = ?";

    private RawReads() {}

    /** How often a second all rows can be read, after as many times to warm up. */
    static double perSecond(Path database, long session, int times) {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database)) {
            readAll(connection, session, times);
            long begun = System.nanoTime();
            readAll(connection, session, times);
            return times / ((System.nanoTime() - begun) / 1e9);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void readAll(Connection connection, long session, int times) throws SQLException {
        for (int i = 0; i < times; i++) {
            read(connection, PEOPLE, session);
            read(connection, ANSWERS, session);
        }
    }

    private static void read(Connection connection, String query, long session) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(query)) {
            statement.setLong(1, session);
            try (ResultSet rows = statement.executeQuery()) {
                int columns = rows.getMetaData().getColumnCount();
                while (rows.next()) {
                    for (int column = 1; column <= columns; column++) {
                        rows.getString(column);
                    }
                }
            }
        }
    }
}
