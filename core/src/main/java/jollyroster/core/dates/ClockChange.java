package jollyroster.core.dates;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.util.ArrayList;
import java.util.List;

/**
 * A change of the clocks in a zone.
 *
 * @param zone where the clocks change
 * @param at the instant of the change
 * @param shift by how much the clocks jump; positive forward (spring), negative back (autumn)
 */
public record ClockChange(ZoneId zone, Instant at, Duration shift) {

    /**
     * The changes in {@code zone} after {@code from} and before {@code to}, in order of time. Stops after 200.
     *
     * <p>Halifax between 10 and 31 March 2027: one, on 14 March at 06:00 UTC, one hour forward.
     */
    public static List<ClockChange> between(ZoneId zone, Instant from, Instant to) {
        List<ClockChange> changes = new ArrayList<>();
        ZoneOffsetTransition next = zone.getRules().nextTransition(from);
        while (next != null && next.getInstant().isBefore(to) && changes.size() < 200) {
            changes.add(new ClockChange(zone, next.getInstant(), next.getDuration()));
            next = zone.getRules().nextTransition(next.getInstant());
        }
        return List.copyOf(changes);
    }

    /**
     * By how much the wall clock of {@code theirs} differs at {@code instant} from that of {@code ours}; positive when
     * theirs is ahead.
     */
    public static Duration difference(ZoneId ours, ZoneId theirs, Instant instant) {
        int seconds = theirs.getRules().getOffset(instant).getTotalSeconds()
                - ours.getRules().getOffset(instant).getTotalSeconds();
        return Duration.ofSeconds(seconds);
    }
}
