package jollyroster.core.messages;

import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * When people may be written to, on their own clock; both hold.
 *
 * @param quiet hours in which they are left alone; empty for none
 * @param send hours in which alone they are written to; empty for any
 */
public record WritingHours(Optional<QuietHours> quiet, Optional<SendHours> send) {

    public static final WritingHours DEFAULT = new WritingHours(Optional.of(QuietHours.DEFAULT), Optional.empty());

    private static final int MOST_STEPS = 20;
    private static final int QUARTERS = 96;
    private static final int QUARTER = 15;

    /** Whether there is any time left at all. */
    public boolean leavesTime() {
        return send.isEmpty()
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
