package jollyroster.core.messages;

import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * When people may be written to, on their own clock; both hold.
 *
 * @param quiet hours in which they are left alone; empty for none
 * @param send hours in which alone they are written to; empty for any
 * @param texts the same for texts, in its place; empty where {@code send} counts for them too
 */
public record WritingHours(Optional<QuietHours> quiet, Optional<SendHours> send, Optional<SendHours> texts) {

    public static final WritingHours DEFAULT = new WritingHours(Optional.of(QuietHours.DEFAULT), Optional.empty());

    /** The same for everything. */
    public WritingHours(Optional<QuietHours> quiet, Optional<SendHours> send) {
        this(quiet, send, Optional.empty());
    }

    /** The hours that count for what goes this way. */
    public WritingHours by(Channel channel) {
        return channel == Channel.TEXT && texts.isPresent() ? new WritingHours(quiet, texts) : this;
    }

    /** When a text goes that answers something: it wakes nobody more than the answer does, but keeps to its send hours. */
    public ZonedDateTime answeredByText(ZonedDateTime time) {
        return by(Channel.TEXT).send.map(s -> s.atOrAfter(time)).orElse(time);
    }

    private static final int MOST_STEPS = 20;
    private static final int QUARTERS = 96;
    private static final int QUARTER = 15;

    /** Whether there is any time left at all. */
    public boolean leavesTime() {
        return Stream.of(Channel.values()).allMatch(channel -> by(channel).leavesSome());
    }

    private boolean leavesSome() {
        return send.isEmpty()
                || send.get().home().isPresent()
                || quiet.isEmpty()
                || IntStream.range(0, QUARTERS)
                        .mapToObj(i -> LocalTime.MIN.plusMinutes((long) QUARTER * i))
                        .anyMatch(time -> !time.isBefore(send.get().from())
                                && !time.isAfter(send.get().to())
                                && !quiet.get().contains(time));
    }

    /** Whether somebody may be written to then. */
    public boolean allows(ZonedDateTime time) {
        return quiet.filter(q -> q.contains(time.toLocalTime())).isEmpty()
                && send.map(s -> s.contains(time)).orElse(true);
    }

    /** The time itself when somebody may be written to then, else the last before it. */
    public ZonedDateTime atOrBefore(ZonedDateTime time) {
        return settle(
                time,
                t -> quiet.map(q -> q.startAtOrBefore(t)).orElse(t),
                t -> send.map(s -> s.atOrBefore(t)).orElse(t));
    }

    /** The time itself when somebody may be written to then, else the first after it. */
    public ZonedDateTime atOrAfter(ZonedDateTime time) {
        return settle(
                time,
                t -> quiet.map(q -> q.endAtOrAfter(t)).orElse(t),
                t -> send.map(s -> s.atOrAfter(t)).orElse(t));
    }

    /** Where both are content. The start of quiet hours is the last moment before them. */
    private static ZonedDateTime settle(
            ZonedDateTime time, UnaryOperator<ZonedDateTime> quiet, UnaryOperator<ZonedDateTime> send) {
        ZonedDateTime at = time;
        for (int i = 0; i < MOST_STEPS; i++) {
            ZonedDateTime calm = quiet.apply(at);
            ZonedDateTime next = send.apply(calm);
            if (next.equals(calm)) {
                return next;
            }
            at = next;
        }
        return at;
    }
}
