package jollyroster.platform;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jooq.Param;
import org.jooq.Query;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.sqlite.SQLiteConnection;

/**
 * A statement whose text is written once, prepared once and run many times, each time with other values. For the few
 * statements of the hottest write, where writing the text anew takes longer than running it. Runs in the transaction under
 * way, and so for one thread at a time: whoever has the transaction has the one writing connection.
 */
public final class KeptStatement {

    private final JdbcTemplate store;
    private final List<Param<?>> places;
    private final Prepared plain;
    private final Prepared returning;

    KeptStatement(JdbcTemplate store, Query written) {
        this.store = store;
        this.places = List.copyOf(written.getParams().values());
        this.plain = new Prepared(written.getSQL());
        this.returning = new Prepared(written.getSQL() + " returning id");
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
        return plain.text;
    }

    /** @param values in the order in which the statement has places for them */
    public void run(@Nullable Object... values) {
        use(plain, statement -> {
            fill(statement, values);
            return statement.executeUpdate();
        });
    }

    /** Runs an insert. @return the number that the store gave the row */
    public long add(@Nullable Object... values) {
        return first(returning, (row, at) -> row.getLong(1), values).orElseThrow();
    }

    /** Runs the statement once for each row of values. */
    public void runAll(List<@Nullable Object[]> rows) {
        rows.forEach(this::run);
    }

    /** The first row of what the statement finds. */
    public <T> Optional<T> first(RowMapper<T> read, @Nullable Object... values) {
        return first(plain, read, values);
    }

    private <T> Optional<T> first(Prepared which, RowMapper<T> read, @Nullable Object... values) {
        return use(which, statement -> {
            fill(statement, values);
            try (ResultSet found = statement.executeQuery()) {
                return found.next() ? Optional.of(read.mapRow(found, 0)) : Optional.<T>empty();
            }
        });
    }

    private <T> T use(Prepared which, Use<T> use) {
        Writes.requireTransaction();
        try {
            return use.of(which.on(Writes.connection(store).unwrap(SQLiteConnection.class)));
        } catch (SQLException e) {
            which.forget();
            DataAccessException known = store.getExceptionTranslator().translate("write", which.text, e);
            throw known != null ? known : new UncategorizedSQLException("write", which.text, e);
        }
    }

    private void fill(PreparedStatement row, @Nullable Object... values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            row.setObject(i + 1, stored(places.get(i), values[i]));
        }
    }

    @SuppressWarnings("unchecked")
    private static <T> @Nullable Object stored(Param<T> place, @Nullable Object value) {
        return place.getBinding().converter().to((T) value);
    }
}
