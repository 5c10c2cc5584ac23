package jollyroster.core.messages;

import java.util.Comparator;
import java.util.List;
import jollyroster.core.dates.Offset;

/**
 * One message of a plan: what it is tied to and how far from it.
 *
 * @param offset before the start for {@link Anchor#BEFORE_START}, after it for {@link Anchor#NOT_IN}, after the end for what
 *     attendance decides; zero for the others
 */
public record PlanLine(Anchor anchor, Offset offset) {

    /** At once, one day before, fifteen minutes before (common practice). */
    public static final List<PlanLine> DEFAULT = List.of(atOnce(), before(Offset.days(1)), before(Offset.minutes(15)));

    public static PlanLine atOnce() {
        return new PlanLine(Anchor.REGISTERED, Offset.none());
    }

    public static PlanLine before(Offset offset) {
        return new PlanLine(Anchor.BEFORE_START, offset);
    }

    /** Orders before-messages by how near to the start they are, farthest first, whatever their units. */
    static Comparator<Timed> farthestFirst() {
        return Comparator.comparing(Timed::at);
    }

    /** A line with the time at which it would go. */
    record Timed(PlanLine line, SendTime time) {
        java.time.Instant at() {
            return time.at();
        }
    }
}
