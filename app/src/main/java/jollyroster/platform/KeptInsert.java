package jollyroster.platform;

import java.util.List;
import org.jooq.Converter;
import org.jooq.Field;
import org.jooq.Query;
import org.jooq.TableRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * An insert whose text is written once, into every column of a table but the number ({@code id}), which the store gives. For the few tables of the hottest write. What a row leaves out is null.
 */
public final class KeptInsert<R extends TableRecord<R>> {

    private final Kept plain;
    private final Kept returning;
    private final List<Field<?>> columns;

    KeptInsert(JdbcTemplate store, Query written, List<Field<?>> columns) {
        this.plain = new Kept(store, written.getSQL());
        this.returning = new Kept(store, written.getSQL() + " returning id");
        this.columns = List.copyOf(columns);
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
            values[i] = stored(columns.get(i), row.get(columns.get(i)));
        }
        return values;
    }

    @SuppressWarnings("unchecked")
    private static <T> @Nullable Object stored(Field<T> column, @Nullable Object value) {
        return ((Converter<Object, T>) column.getBinding().converter()).to((T) value);
    }
}
