package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.HOUSE_PLAN;
import static jollyroster.platform.tables.Tables.HOUSE_PLAN_LINE;

import java.util.Optional;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.Writes;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** The plans of the house: made, named, changed and dropped as part of a write that is under way. */
@Component
public class HouseLineCommands {

    private final Writes writes;

    HouseLineCommands(Writes writes) {
        this.writes = writes;
    }

    /** A new plan of the house without lines; empty when there is one of that name. */
    public Optional<Long> make(String name) {
        return writes.sql()
                .insertInto(HOUSE_PLAN)
                .set(HOUSE_PLAN.NAME, name)
                .onDuplicateKeyIgnore()
                .returningResult(HOUSE_PLAN.ID)
                .fetchOptional(HOUSE_PLAN.ID);
    }

    /** @return whether it has that name now; not when another has */
    public boolean rename(long plan, String name) {
        boolean taken = writes.sql().fetchExists(HOUSE_PLAN, HOUSE_PLAN.NAME.eq(name), HOUSE_PLAN.ID.ne(plan));
        return !taken
                && writes.sql()
                                .update(HOUSE_PLAN)
                                .set(HOUSE_PLAN.NAME, name)
                                .where(HOUSE_PLAN.ID.eq(plan))
                                .execute()
                        > 0;
    }

    public void add(long plan, PlanLine line) {
        writes.sql()
                .insertInto(HOUSE_PLAN_LINE)
                .set(PlanRows.row(plan, line))
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** @return whether it was in the plan */
    public boolean remove(long plan, PlanLine line) {
        return writes.sql()
                        .deleteFrom(HOUSE_PLAN_LINE)
                        .where(HOUSE_PLAN_LINE.PLAN_ID.eq(plan))
                        .and(is(line))
                        .execute()
                > 0;
    }

    /** Drops a plan that nobody follows. */
    public void drop(long plan) {
        writes.sql().deleteFrom(HOUSE_PLAN).where(HOUSE_PLAN.ID.eq(plan)).execute();
    }

    private static Condition is(PlanLine line) {
        return HOUSE_PLAN_LINE
                .ANCHOR
                .eq(line.anchor().name())
                .and(HOUSE_PLAN_LINE.AMOUNT.eq(line.offset().amount()))
                .and(HOUSE_PLAN_LINE.UNIT.eq(line.offset().unit().name()))
                .and(HOUSE_PLAN_LINE.CHANNELS.eq(line.channels().name()))
                .and(HOUSE_PLAN_LINE.AUDIENCE.eq(line.audience().code()));
    }
}
