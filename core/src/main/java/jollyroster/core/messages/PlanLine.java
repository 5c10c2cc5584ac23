package jollyroster.core.messages;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import jollyroster.core.dates.Offset;

/**
 * One message of a plan: what it is tied to and how far from it, by what it goes and to whom.
 *
 * @param offset before the start for {@link Anchor#BEFORE_START}, after it for {@link Anchor#NOT_IN}, after the end for what
 *     attendance decides, before the cut-off, the end of a payment or the start for those of {@link Anchor#WATCHED}; zero for the others
 */
public record PlanLine(Anchor anchor, Offset offset, Channels channels, Audience audience) {

    /** At once, one day before, fifteen minutes before (common practice). */
    public static final List<PlanLine> DEFAULT = List.of(atOnce(), before(Offset.days(1)), before(Offset.minutes(15)));

    /** An e-mail to everybody. */
    public PlanLine(Anchor anchor, Offset offset) {
        this(anchor, offset, Channels.EMAIL, Audience.EVERYBODY);
    }

    public static PlanLine atOnce() {
        return new PlanLine(Anchor.REGISTERED, Offset.none());
    }

    public static PlanLine before(Offset offset) {
        return new PlanLine(Anchor.BEFORE_START, offset);
    }

    /** The same by something else. */
    public PlanLine by(Channels other) {
        return new PlanLine(anchor, offset, other, audience);
    }

    /** The same to somebody else. */
    public PlanLine to(Audience other) {
        return new PlanLine(anchor, offset, channels, other);
    }

    /** Whether it is the confirmation by e-mail, which everybody gets and no plan can do without. */
    public boolean isFixed() {
        return anchor == Anchor.REGISTERED && channels == Channels.EMAIL;
    }

    /** Whether it goes at a time that is known when somebody registers. */
    boolean isTimed() {
        return Anchor.TIMED.contains(anchor);
    }

    /** Whether it is planned for everybody, and can take the place of another message or make room for one. */
    public boolean isForAll() {
        return audience.isEverybody();
    }

    /** Orders before-messages by how near to the start they are, farthest first, whatever their units. */
    static Comparator<Timed> farthestFirst() {
        return Comparator.comparing(Timed::at);
    }

    /** A line with the time at which it would go. */
    record Timed(PlanLine line, Channel channel, SendTime time) {
        Instant at() {
            return time.at();
        }
    }
}
