package jollyroster.platform;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.sqlite.SQLiteConnection;

/**
 * What {@link KeptQuery} and {@link KeptInsert} have in common: a text that is written once, prepared once and run many times,
 * each time with other values. Runs in the transaction under way, and so for one thread at a time: whoever has the
 * transaction has the one writing connection.
 */
final class Kept {

    private final JdbcTemplate store;
    private final Prepared prepared;

    Kept(JdbcTemplate store, String text) {
        this.store = store;
        this.prepared = new Prepared(text);
    }

    /** Prepared for one connection, and anew should the pool ever open another. */
    private static final class Prepared {
        private final String text;
        private @Nullable Connection on;
        private @Nullable PreparedStatement statement;

        Prepared(String text) {
            this.text = text;
        }

        PreparedStatement on(Connection writing) throws SQLException {
            PreparedStatement ready = statement;
            if (ready == null || on != writing) {
                ready = writing.prepareStatement(text);
                statement = ready;
                on = writing;
            }
            return ready;
        }

        /** The driver closes a statement that failed. */
        void forget() {
            statement = null;
        }
    }

    /** What is done with the statement. */
    private interface Use<T> {
        T of(PreparedStatement statement) throws SQLException;
    }

    String text() {
        return prepared.text;
    }

    /** @param values as the store takes them, in the order in which the text has places for them */
    void run(@Nullable Object[] values) {
        use(statement -> {
            fill(statement, values);
            return statement.executeUpdate();
        });
    }

    /** The first row of what it finds or gives back. */
    <T> Optional<T> first(RowMapper<T> read, @Nullable Object[] values) {
        return use(statement -> {
            fill(statement, values);
            try (ResultSet found = statement.executeQuery()) {
                return found.next() ? Optional.of(read.mapRow(found, 0)) : Optional.<T>empty();
            }
        });
    }

    private <T> T use(Use<T> use) {
        Writes.requireTransaction();
        try {
            return use.of(prepared.on(Writes.connection(store).unwrap(SQLiteConnection.class)));
        } catch (SQLException e) {
            prepared.forget();
            DataAccessException known = store.getExceptionTranslator().translate("write", prepared.text, e);
            throw known != null ? known : new UncategorizedSQLException("write", prepared.text, e);
        }
    }

    private static void fill(PreparedStatement row, @Nullable Object[] values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            row.setObject(i + 1, values[i]);
        }
    }
}
