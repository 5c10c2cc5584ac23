package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.FOLLOWED_PLAN;
import static jollyroster.platform.tables.Tables.HOUSE_PLAN;
import static jollyroster.platform.tables.Tables.HOUSE_PLAN_LINE;
import static jollyroster.platform.tables.Tables.PLAN_LINE;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.PlanLineRecord;
import org.jooq.DSLContext;
import org.jooq.Result;
import org.springframework.stereotype.Component;

/** Reads message plans: of offerings, and of the house. */
@Component
public class PlanQueries {

    /** What a plan of an offering is put together from. */
    static final String[] TABLES = {"plan_line", "house_plan", "house_plan_line", "followed_plan"};

    static final OfferingPlan NONE = new OfferingPlan(List.of(), List.of(), Set.of());
    private final Reads reads;
    private final Remembered<Set<Long>, Map<Long, OfferingPlan>> plans;
    private final Remembered<Integer, List<House>> houses;

    PlanQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.plans = new Remembered<>(changes, 20, TABLES);
        this.houses = new Remembered<>(changes, 1, TABLES);
    }

    /** A plan of the house. @param followers the offerings that follow it */
    public record House(long id, String name, List<PlanLine> lines, List<Long> followers) {}

    /** All plans of the house, by name. */
    public List<House> houses() {
        return houses.get(0, any -> readHouses());
    }

    private List<House> readHouses() {
        Map<Long, List<PlanLine>> lines =
                reads.sql().selectFrom(HOUSE_PLAN_LINE).fetchGroups(HOUSE_PLAN_LINE.PLAN_ID, PlanRows::line);
        Map<Long, List<Long>> followers =
                reads.sql().selectFrom(FOLLOWED_PLAN).fetchGroups(FOLLOWED_PLAN.PLAN_ID, FOLLOWED_PLAN.OFFERING_ID);
        return reads.sql()
                .selectFrom(HOUSE_PLAN)
                .orderBy(HOUSE_PLAN.NAME)
                .fetch(r -> new House(
                        r.getId(),
                        r.getName(),
                        PlanText.inOrder(lines.getOrDefault(r.getId(), List.of())),
                        followers.getOrDefault(r.getId(), List.of())));
    }

    public Optional<House> house(long id) {
        return houses().stream().filter(house -> house.id() == id).findFirst();
    }

    /** The plan of the house that an offering follows. */
    public Optional<House> followedBy(long offering) {
        return houses().stream()
                .filter(house -> house.followers().contains(offering))
                .findFirst();
    }

    public OfferingPlan plan(long offering) {
        return plans(List.of(offering)).getOrDefault(offering, NONE);
    }

    /** Whether an offering writes texts. */
    public boolean texts(long offering) {
        return plan(offering).lines().stream().anyMatch(line -> line.channels().has(Channel.TEXT));
    }

    /** The plans of several offerings, in one go. */
    public Map<Long, OfferingPlan> plans(Collection<Long> offerings) {
        return plans.get(Set.copyOf(offerings), ids -> read(reads.sql(), ids));
    }

    static Map<Long, OfferingPlan> read(DSLContext sql, Collection<Long> offerings) {
        Map<Long, Result<PlanLineRecord>> own = sql.selectFrom(PLAN_LINE)
                .where(PLAN_LINE.OFFERING_ID.in(offerings))
                .fetchGroups(PLAN_LINE.OFFERING_ID);
        Map<Long, List<PlanLine>> house = sql.select(FOLLOWED_PLAN.OFFERING_ID)
                .select(HOUSE_PLAN_LINE.fields())
                .from(FOLLOWED_PLAN)
                .join(HOUSE_PLAN_LINE)
                .on(HOUSE_PLAN_LINE.PLAN_ID.eq(FOLLOWED_PLAN.PLAN_ID))
                .where(FOLLOWED_PLAN.OFFERING_ID.in(offerings))
                .fetchGroups(FOLLOWED_PLAN.OFFERING_ID, r -> PlanRows.line(r.into(HOUSE_PLAN_LINE)));
        Map<Long, OfferingPlan> plans = new HashMap<>();
        offerings.forEach(id -> plans.put(
                id,
                plan(
                        house.getOrDefault(id, List.of()),
                        Optional.<List<PlanLineRecord>>ofNullable(own.get(id)).orElse(List.of()))));
        return plans;
    }

    private static OfferingPlan plan(List<PlanLine> house, List<PlanLineRecord> rows) {
        List<PlanLine> own = rows.stream().map(PlanRows::line).toList();
        Set<PlanLine> off = rows.stream()
                .filter(PlanLineRecord::getIsOff)
                .map(PlanRows::line)
                .collect(Collectors.toSet());
        return new OfferingPlan(house, own, off);
    }
}
