package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.FOLLOWED_PLAN;
import static jollyroster.platform.tables.Tables.PLAN_LINE;

import java.util.List;
import java.util.Map;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.Writes;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** The message plans of offerings: given, copied, changed and dropped as part of a write that is under way. */
@Component
public class PlanLineCommands {

    private final Writes writes;
    private final HoursCommands hours;
    private final WordingCommands wordings;
    private final Remembered<Long, OfferingPlan> plans;
    private final Remembered<Long, List<PlanLine>> lines;

    PlanLineCommands(Writes writes, HoursCommands hours, WordingCommands wordings, TableChanges changes) {
        this.writes = writes;
        this.hours = hours;
        this.wordings = wordings;
        this.plans = new Remembered<>(changes, 200, PlanQueries.TABLES);
        this.lines = new Remembered<>(changes, 200, PlanQueries.TABLES);
    }

    /** Gives an offering the default plan. */
    public void giveDefault(long offering) {
        PlanLine.DEFAULT.forEach(line -> add(offering, line));
    }

    /** Gives an offering the same plan as another, with its hours and its words. */
    public void copy(long from, long to) {
        hours.copy(from, to);
        wordings.copy(from, to);
        OfferingPlan plan = plan(from);
        plan.own().forEach(line -> add(to, line));
        plan.off().forEach(line -> turn(to, line, false));
        writes.sql()
                .select(FOLLOWED_PLAN.PLAN_ID)
                .from(FOLLOWED_PLAN)
                .where(FOLLOWED_PLAN.OFFERING_ID.eq(from))
                .fetchOptional(FOLLOWED_PLAN.PLAN_ID)
                .ifPresent(house -> follow(to, house));
    }

    /** Adds a line; one that was off is on again. */
    public void add(long offering, PlanLine line) {
        keep(offering, line, false);
    }

    /** Switches a line on or off, for this offering alone. */
    public void turn(long offering, PlanLine line, boolean on) {
        if (on && plan(offering).house().contains(line)) {
            remove(offering, line);
        } else {
            keep(offering, line, !on);
        }
    }

    private void keep(long offering, PlanLine line, boolean off) {
        writes.sql()
                .insertInto(PLAN_LINE)
                .set(PlanRows.row(offering, line, off))
                .onDuplicateKeyUpdate()
                .set(PLAN_LINE.IS_OFF, off)
                .execute();
    }

    /** Takes a line of its own out of a plan. @return whether it was in it */
    public boolean remove(long offering, PlanLine line) {
        return writes.sql()
                        .deleteFrom(PLAN_LINE)
                        .where(PLAN_LINE.OFFERING_ID.eq(offering))
                        .and(is(line))
                        .execute()
                > 0;
    }

    /** Has an offering follow a plan of the house from now on; where it departs from it is kept. */
    public void follow(long offering, long house) {
        writes.sql()
                .insertInto(FOLLOWED_PLAN)
                .set(FOLLOWED_PLAN.OFFERING_ID, offering)
                .set(FOLLOWED_PLAN.PLAN_ID, house)
                .onDuplicateKeyUpdate()
                .set(FOLLOWED_PLAN.PLAN_ID, house)
                .execute();
    }

    /** Has an offering follow no plan of the house any more. */
    public void unfollow(long offering) {
        writes.sql()
                .deleteFrom(FOLLOWED_PLAN)
                .where(FOLLOWED_PLAN.OFFERING_ID.eq(offering))
                .execute();
    }

    /** Takes away all that an offering has for itself alone: its own lines, and what is off. */
    public void forgetOwn(long offering) {
        writes.sql()
                .deleteFrom(PLAN_LINE)
                .where(PLAN_LINE.OFFERING_ID.eq(offering))
                .execute();
    }

    /** Takes away all that an offering had of a plan, whether its own or the house's. */
    public void clear(long offering) {
        unfollow(offering);
        forgetOwn(offering);
    }

    /** Takes away the plan of an offering that is discarded, with its hours and its words. */
    public void drop(long offering) {
        clear(offering);
        hours.forget(offering);
        wordings.drop(offering);
    }

    /** The plan of an offering, as part of a write. */
    public OfferingPlan plan(long offering) {
        return plans.get(offering, id -> {
            Map<Long, OfferingPlan> read = PlanQueries.read(writes.sql(), List.of(id));
            return read.getOrDefault(id, PlanQueries.NONE);
        });
    }

    /** The lines of an offering's plan that count. */
    public List<PlanLine> of(long offering) {
        return lines.get(offering, id -> plan(id).lines());
    }

    private static Condition is(PlanLine line) {
        return PLAN_LINE
                .ANCHOR
                .eq(line.anchor().name())
                .and(PLAN_LINE.AMOUNT.eq(line.offset().amount()))
                .and(PLAN_LINE.UNIT.eq(line.offset().unit().name()))
                .and(PLAN_LINE.CHANNELS.eq(line.channels().name()))
                .and(PLAN_LINE.AUDIENCE.eq(line.audience().code()));
    }
}
