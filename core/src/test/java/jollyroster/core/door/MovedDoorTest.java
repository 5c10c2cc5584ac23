package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class MovedDoorTest {

    private static final Instant START = Instant.parse("2027-03-10T16:00:00Z");
    private static final DoorHours PLANNED = DoorHours.of(
            new Interval(START, START.plus(Duration.ofHours(1))), Duration.ofMinutes(15), Duration.ofMinutes(15));

    private static Optional<Instant> at(int minutes) {
        return Optional.of(START.plus(Duration.ofMinutes(minutes)));
    }

    @Test
    void who_opens_by_hand_opens_from_then_on_and_never_later_than_planned() {
        assertThat(PLANNED.byHand(at(-40), Optional.empty()).opens()).isEqualTo(START.minus(Duration.ofMinutes(40)));
        assertThat(PLANNED.byHand(at(-5), Optional.empty())).isEqualTo(PLANNED);
    }

    @Test
    void who_ends_by_hand_closes_at_once_and_may_keep_open_longer() {
        DoorHours ended = PLANNED.byHand(Optional.empty(), at(50));
        assertThat(ended.at(START.plus(Duration.ofMinutes(49)))).isEqualTo(DoorHours.Phase.OPEN);
        assertThat(ended.at(START.plus(Duration.ofMinutes(50)))).isEqualTo(DoorHours.Phase.AFTER);
        assertThat(ended.end()).as("what was planned stays").isEqualTo(PLANNED.end());
        assertThat(PLANNED.byHand(Optional.empty(), at(90)).at(START.plus(Duration.ofMinutes(80))))
                .isEqualTo(DoorHours.Phase.OPEN);
    }

    @Test
    void presence_is_measured_against_what_took_place() {
        assertThat(PLANNED.held()).isEqualTo(new Interval(PLANNED.start(), PLANNED.end()));
        assertThat(PLANNED.byHand(Optional.empty(), at(50)).held().length()).isEqualTo(Duration.ofMinutes(50));
        assertThat(PLANNED.byHand(Optional.empty(), at(90)).held().length()).isEqualTo(Duration.ofHours(1));
    }

    private static Set<DoorMove> allowed(DoorHours door, boolean closedByHand, int minutes) {
        return Stream.of(DoorMove.values())
                .filter(move -> move.may(door, closedByHand, at(minutes).orElseThrow()))
                .collect(Collectors.toSet());
    }

    @Test
    void each_move_has_its_time() {
        assertThat(allowed(PLANNED, false, -13 * 60)).as("a day before").isEmpty();
        assertThat(allowed(PLANNED, false, -30)).containsExactly(DoorMove.OPEN);
        assertThat(allowed(PLANNED, false, -5)).as("open, not begun").isEmpty();
        assertThat(allowed(PLANNED, false, 0)).containsExactlyInAnyOrder(DoorMove.END, DoorMove.LONGER);
        assertThat(allowed(PLANNED, false, 75)).as("closed by itself").isEmpty();
        assertThat(allowed(PLANNED.byHand(Optional.empty(), at(50)), true, 50)).containsExactly(DoorMove.REOPEN);
        assertThat(allowed(PLANNED.byHand(Optional.empty(), at(50)), true, 60 + 12 * 60))
                .isEmpty();
    }

    @Property
    void a_moved_door_is_never_out_of_order(
            @ForAll @IntRange(min = -500, max = 500) int opened, @ForAll @IntRange(min = -500, max = 500) int closing) {
        DoorHours moved = PLANNED.byHand(at(opened), at(closing));
        assertThat(moved.closes()).isAfterOrEqualTo(moved.opens());
        assertThat(moved.opens()).isBeforeOrEqualTo(PLANNED.opens());
    }

    /** Neither room ever takes more than its limit as long as both together have room. */
    @Property
    void nobody_goes_into_a_full_room_while_the_other_has_room(
            @ForAll @IntRange(min = 1, max = 5) int limit,
            @ForAll @IntRange(min = 0, max = 5) int inFirst,
            @ForAll @IntRange(min = 0, max = 5) int inSecond,
            @ForAll boolean was) {
        boolean room = inFirst < limit || inSecond < limit;
        if (room && inFirst <= limit && inSecond <= limit) {
            boolean second = SecondRoom.goes(limit, inFirst, was, inSecond);
            assertThat(second ? inSecond : inFirst).isLessThan(limit);
        }
    }
}
