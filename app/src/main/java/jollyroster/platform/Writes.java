package jollyroster.platform;

import java.sql.Connection;
import java.util.Arrays;
import java.util.Objects;
import java.util.function.Function;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.InsertValuesStepN;
import org.jooq.Query;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.ConnectionHolder;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The store for commands: the one writing connection. Only {@code …Commands} classes take it, inside a transaction that
 * was begun as a write; outside of one it refuses.
 */
public final class Writes {

    private final DSLContext sql;
    private final JdbcTemplate jdbc;

    Writes(DSLContext sql, JdbcTemplate jdbc) {
        this.sql = sql;
        this.jdbc = jdbc;
    }

    /** For statements in the transaction under way. */
    public DSLContext sql() {
        requireTransaction();
        return sql;
    }

    /** Writes the text of a statement once. The values in it only say of which kind each is. */
    public KeptStatement keep(Function<DSLContext, Query> written) {
        return new KeptStatement(jdbc, written.apply(sql));
    }

    /** The same of an insert into every column but the number, which comes first and which the store gives. */
    public <R extends Record> KeptStatement keepInsert(Table<R> table, Function<InsertValuesStepN<R>, Query> rest) {
        Field<?>[] columns = Arrays.copyOfRange(table.fields(), 1, table.fields().length);
        return keep(any -> rest.apply(any.insertInto(table, columns).values(new Object[columns.length])));
    }

    /** The values of a row for {@link #keepInsert}. */
    public static @Nullable Object[] valuesOf(TableRecord<?> row) {
        Object[] values = new Object[row.size() - 1];
        for (int i = 0; i < values.length; i++) {
            values[i] = row.get(i + 1);
        }
        return values;
    }

    /** The connection of the transaction under way. */
    static Connection connection(JdbcTemplate store) {
        Object held = TransactionSynchronizationManager.getResource(Objects.requireNonNull(store.getDataSource()));
        return ((ConnectionHolder) Objects.requireNonNull(held)).getConnection();
    }

    static void requireTransaction() {
        if (!TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("What is written must be part of a transaction");
        }
    }
}
