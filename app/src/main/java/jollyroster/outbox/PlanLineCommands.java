package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.PLAN_LINE;

import java.util.List;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;

/** The message plans of offerings: given, copied and dropped as part of a write that is under way. */
@Component
public class PlanLineCommands {

    private final Writes writes;
    private final Remembered<Long, List<PlanLine>> plans;

    PlanLineCommands(Writes writes, TableChanges changes) {
        this.writes = writes;
        this.plans = new Remembered<>(changes, 200, "plan_line");
    }

    /** Gives an offering the default plan. */
    public void giveDefault(long offering) {
        PlanLine.DEFAULT.forEach(line -> add(offering, line));
    }

    /** Gives an offering the same plan as another. */
    public void copy(long from, long to) {
        of(from).forEach(line -> add(to, line));
    }

    /** Adds a line that the plan has not yet. */
    public void add(long offering, PlanLine line) {
        writes.sql()
                .insertInto(PLAN_LINE)
                .set(PLAN_LINE.OFFERING_ID, offering)
                .set(PLAN_LINE.ANCHOR, line.anchor().name())
                .set(PLAN_LINE.AMOUNT, line.offset().amount())
                .set(PLAN_LINE.UNIT, line.offset().unit().name())
                .execute();
    }

    /** Takes a line out of a plan. @return whether it was in it */
    public boolean remove(long offering, PlanLine line) {
        return writes.sql()
                        .deleteFrom(PLAN_LINE)
                        .where(PLAN_LINE.OFFERING_ID.eq(offering))
                        .and(PLAN_LINE.ANCHOR.eq(line.anchor().name()))
                        .and(PLAN_LINE.AMOUNT.eq(line.offset().amount()))
                        .and(PLAN_LINE.UNIT.eq(line.offset().unit().name()))
                        .execute()
                > 0;
    }

    /** Takes away the plan of an offering that is discarded. */
    public void drop(long offering) {
        writes.sql()
                .deleteFrom(PLAN_LINE)
                .where(PLAN_LINE.OFFERING_ID.eq(offering))
                .execute();
    }

    /** The lines of an offering's plan, as part of a write. */
    public List<PlanLine> of(long offering) {
        return plans.get(
                offering,
                id -> writes.sql()
                        .selectFrom(PLAN_LINE)
                        .where(PLAN_LINE.OFFERING_ID.eq(id))
                        .fetch(OutboxQueries::toPlanLine));
    }
}
