package jollyroster.platform;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jooq.Param;
import org.jooq.Query;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.jdbc.core.RowMapper;

/**
 * A statement whose text is written once and which is run many times, each time with other values. For the few statements
 * of the hottest write, where writing the text anew takes longer than running it. Runs in the transaction under way.
 */
public final class KeptStatement {

    private static final String RETURNING = " returning id";
    private final JdbcOperations store;
    private final String text;
    private final List<Param<?>> places;

    KeptStatement(JdbcOperations store, Query written) {
        this.store = store;
        this.text = written.getSQL();
        this.places = List.copyOf(written.getParams().values());
    }

    /** @param values in the order in which the statement has places for them */
    public void run(@Nullable Object... values) {
        Writes.requireTransaction();
        store.update(text, row -> fill(row, values));
    }

    /** Runs an insert. @return the number that the store gave the row */
    public long add(@Nullable Object... values) {
        return first(text + RETURNING, (row, at) -> row.getLong(1), values).orElseThrow();
    }

    /** Runs the statement once for each row of values. */
    public void runAll(List<@Nullable Object[]> rows) {
        Writes.requireTransaction();
        store.execute(text, (PreparedStatement row) -> {
            for (Object[] values : rows) {
                fill(row, values);
                row.executeUpdate();
            }
            return rows.size();
        });
    }

    /** The first row of what the statement finds. */
    public <T> Optional<T> first(RowMapper<T> read, @Nullable Object... values) {
        return first(text, read, values);
    }

    private <T> Optional<T> first(String query, RowMapper<T> read, @Nullable Object... values) {
        Writes.requireTransaction();
        return store.query(
                query,
                row -> fill(row, values),
                found -> found.next() ? Optional.of(read.mapRow(found, 0)) : Optional.<T>empty());
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
