package jollyroster.core.attendance;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import jollyroster.core.attendance.Ticks.Tick;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class TicksTest {

    private static final Instant NINE = Instant.parse("2027-03-20T12:00:00Z");

    private static Tick tick(String key, int place, boolean in, long seconds) {
        return new Tick(key, place, in, NINE.plusSeconds(seconds));
    }

    @Test
    void of_each_person_the_latest_tick_holds() {
        List<Tick> ticks =
                List.of(tick("a", 0, true, 0), tick("b", 1, true, 5), tick("c", 1, false, 9), tick("d", 0, true, 60));
        assertThat(Ticks.in(ticks)).isEqualTo(Map.of(0, NINE.plusSeconds(60)));
    }

    @Test
    void two_helpers_who_tick_off_the_same_person_agree() {
        assertThat(Ticks.in(List.of(tick("one", 0, true, 3), tick("other", 0, true, 3))))
                .containsOnlyKeys(0);
    }

    @Property
    void neither_the_order_nor_sending_twice_makes_a_difference(@ForAll long seed) {
        Random random = new Random(seed);
        List<Tick> ticks = IntStream.range(0, 12)
                .mapToObj(i -> tick("k" + i, random.nextInt(3), random.nextBoolean(), random.nextInt(6)))
                .toList();
        List<Tick> sent = new ArrayList<>(ticks);
        sent.addAll(ticks.subList(0, random.nextInt(12)));
        Collections.shuffle(sent, random);
        assertThat(Ticks.in(sent)).isEqualTo(Ticks.in(ticks));
    }

    @Test
    void a_clock_that_is_ahead_counts_as_now_and_one_far_behind_as_the_day_before() {
        Instant now = NINE.plusSeconds(600);
        assertThat(Ticks.made(now.plusSeconds(9), NINE, now)).isEqualTo(now);
        assertThat(Ticks.made(NINE, NINE, now)).isEqualTo(NINE);
        assertThat(Ticks.made(Instant.EPOCH, NINE, now)).isEqualTo(NINE.minusSeconds(86_400));
    }
}
