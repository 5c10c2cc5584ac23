package jollyroster.platform;

import java.util.List;
import org.jooq.Converter;
import org.jooq.Field;
import org.jooq.Query;
import org.jooq.Table;
import org.jooq.TableRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * An insert whose text is written once, into every column of a table but the number ({@code id}), which the store gives.
 * For the few tables of the hottest write. What a row leaves out is null.
 */
public final class KeptInsert<R extends TableRecord<R>> {

    private final Kept plain;
    private final Kept returning;
    private final List<Column<?>> columns;

    /** Where a record has it, and how the store takes it. */
    private record Column<T>(int at, Converter<Object, T> converter) {

        @SuppressWarnings("unchecked")
        static <T> Column<T> of(Field<T> field, Table<?> table) {
            return new Column<>(table.indexOf(field), (Converter<Object, T>)
                    field.getBinding().converter());
        }

        @SuppressWarnings("unchecked")
        @Nullable
        Object stored(TableRecord<?> row) {
            return converter.to((T) row.get(at));
        }
    }

    KeptInsert(JdbcTemplate store, Query written, Table<R> table, List<Field<?>> columns) {
        this.plain = new Kept(store, written.getSQL());
        this.returning = new Kept(store, written.getSQL() + " returning id");
        this.columns = columns.stream()
                .<Column<?>>map(column -> Column.of(column, table))
                .toList();
    }

    String text() {
        return plain.text();
    }

    public void run(R row) {
        plain.run(valuesOf(row));
    }

    public void runAll(List<R> rows) {
        rows.forEach(this::run);
    }

    /** @return the number that the store gave the row */
    public long add(R row) {
        return returning.first((found, at) -> found.getLong(1), valuesOf(row)).orElseThrow();
    }

    private @Nullable Object[] valuesOf(R row) {
        Object[] values = new Object[columns.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = columns.get(i).stored(row);
        }
        return values;
    }
}
