package jollyroster.attendance;

import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.least;
import static org.jooq.impl.DSL.val;

import java.time.Instant;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;

/**
 * Stays in meetings as a meeting service reports them: late, twice and in any order. A report that arrives twice counts once, and
 * one of joining that arrives after that of leaving still says since when. The first report of leaving stands, and one from before
 * the joining counts as the joining; where none has come of the joining, it is kept until that comes.
 *
 * @param table where they are kept, for use in a transaction under way
 * @param visit by what the service names a stay
 */
public record StayCommands<R extends Record>(
        Table<R> table, TableField<R, String> visit, TableField<R, Instant> joined, TableField<R, Instant> left) {

    /** @param whose the other columns of a stay that is new */
    public void joined(DSLContext sql, String name, Map<? extends Field<?>, ?> whose, Instant at) {
        sql.insertInto(table)
                .set(whose)
                .set(visit, name)
                .set(joined, at)
                .onConflict(visit)
                .doUpdate()
                .set(joined, least(joined, val(at, joined)))
                .execute();
    }

    /** @param whose the other columns of a stay that is new */
    public void left(DSLContext sql, String name, Map<? extends Field<?>, ?> whose, Instant at) {
        sql.insertInto(table)
                .set(whose)
                .set(visit, name)
                .set(joined, at)
                .set(left, at)
                .onConflict(visit)
                .doUpdate()
                .set(left, greatest(joined, val(at, left)))
                .where(left.isNull())
                .execute();
    }
}
