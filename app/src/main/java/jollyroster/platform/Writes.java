package jollyroster.platform;

import java.sql.Connection;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.InsertValuesStepN;
import org.jooq.Query;
import org.jooq.Table;
import org.jooq.TableRecord;
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

    /** Writes the text of a question once. */
    public KeptQuery keep(Function<DSLContext, Query> written) {
        return new KeptQuery(jdbc, written.apply(sql));
    }

    /** Writes the text of an insert once. @param rest what follows the values, such as what to do on a conflict */
    public <R extends TableRecord<R>> KeptInsert<R> keepInsert(
            Table<R> table, Function<InsertValuesStepN<R>, Query> rest) {
        List<Field<?>> columns = Stream.<Field<?>>of(table.fields())
                .filter(column -> !column.getName().equals("id"))
                .toList();
        Query written = rest.apply(sql.insertInto(table, columns).values(new Object[columns.size()]));
        return new KeptInsert<>(jdbc, written, table, columns);
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
