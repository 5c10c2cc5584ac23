package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class TurnLineTest {

    private static final Duration PLANNED = Duration.ofMinutes(10);

    private static List<Duration> turns(long... minutes) {
        return LongStream.of(minutes).mapToObj(Duration::ofMinutes).toList();
    }

    @Test
    void third_in_line_waits_for_two_usual_turns_and_the_rest_of_the_present_one() {
        Duration usual = TurnLine.usual(turns(8, 12, 13), PLANNED);
        assertThat(usual).isEqualTo(Duration.ofMinutes(11));
        assertThat(TurnLine.expected(2, usual, Optional.of(Duration.ofMinutes(4))))
                .isEqualTo(Duration.ofMinutes(29));
    }

    @Test
    void before_the_first_turn_has_ended_a_turn_takes_what_was_planned() {
        assertThat(TurnLine.usual(List.of(), PLANNED)).isEqualTo(PLANNED);
        assertThat(TurnLine.expected(1, PLANNED, Optional.empty())).isEqualTo(PLANNED);
    }

    @Test
    void a_turn_that_takes_longer_than_usual_may_end_at_any_moment() {
        assertThat(TurnLine.expected(0, PLANNED, Optional.of(Duration.ofMinutes(25))))
                .isEqualTo(Duration.ZERO);
    }

    @Test
    void whoever_steps_out_keeps_the_place_for_five_minutes() {
        Instant out = Instant.parse("2027-03-10T15:00:00Z");
        assertThat(TurnLine.keepsPlace(out, out.plusSeconds(300))).isTrue();
        assertThat(TurnLine.keepsPlace(out, out.plusSeconds(301))).isFalse();
    }

    @Property
    void nobody_waits_longer_than_whoever_comes_after(
            @ForAll @IntRange(max = 500) int before,
            @ForAll @IntRange(min = 1, max = 240) int usual,
            @ForAll @IntRange(max = 600) int running) {
        Duration each = Duration.ofMinutes(usual);
        Optional<Duration> present = Optional.of(Duration.ofMinutes(running));
        assertThat(TurnLine.expected(before, each, present))
                .isLessThan(TurnLine.expected(before + 1, each, present))
                .isGreaterThanOrEqualTo(Duration.ZERO);
    }
}
