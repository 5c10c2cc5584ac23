package jollyroster.core.messages;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The plan of one offering: what it follows, if it follows a house plan, and where it departs from that.
 *
 * @param house the lines of the house plan; none where the offering follows none
 * @param own lines it has for itself alone
 * @param off lines, of the house plan or its own, that are switched off for it
 */
public record OfferingPlan(List<PlanLine> house, List<PlanLine> own, Set<PlanLine> off) {

    public OfferingPlan {
        house = PlanText.inOrder(house);
        own = PlanText.inOrder(own.stream().filter(without(house)).toList());
        off = Set.copyOf(off);
    }

    private static Predicate<PlanLine> without(Collection<PlanLine> lines) {
        return line -> !lines.contains(line);
    }

    /** Every line it has, whether it is on or off, in order. */
    public List<PlanLine> all() {
        List<PlanLine> all = new ArrayList<>(house);
        all.addAll(own);
        return PlanText.inOrder(all);
    }

    /** The lines that count, in order. */
    public List<PlanLine> lines() {
        return all().stream().filter(this::isOn).toList();
    }

    public boolean isOn(PlanLine line) {
        return !off.contains(line);
    }

    public boolean isOwn(PlanLine line) {
        return own.contains(line);
    }

    /** What the house plan has and this offering does without, in order. */
    public List<PlanLine> missed() {
        return house.stream().filter(off::contains).toList();
    }

    /** What it has beyond the house plan, in order. */
    public List<PlanLine> extra() {
        return own.stream().filter(this::isOn).toList();
    }

    /** Whether the offering departs from its house plan at all. */
    public boolean departs() {
        return !missed().isEmpty() || own.stream().anyMatch(line -> !line.isFixed());
    }
}
