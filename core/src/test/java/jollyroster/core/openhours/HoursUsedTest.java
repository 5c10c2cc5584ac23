package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Spans;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What became of open hours: given, taken up otherwise, idle; each minute is counted once. */
class HoursUsedTest {

    private static final Instant TEN = Instant.parse("2027-03-17T13:00:00Z");

    private static Interval span(int from, int until) {
        return new Interval(TEN.plusSeconds(60L * from), TEN.plusSeconds(60L * until));
    }

    @Test
    void a_minute_that_is_given_is_not_taken_up_otherwise_too() {
        HoursUsed used = HoursUsed.of(
                List.of(span(0, 60), span(120, 180)),
                List.of(span(0, 20), span(10, 30)),
                List.of(span(20, 40), span(100, 130), span(500, 600)));
        assertThat(used.open()).isEqualTo(Duration.ofMinutes(120));
        assertThat(used.given()).isEqualTo(Duration.ofMinutes(30));
        assertThat(used.otherwise()).isEqualTo(Duration.ofMinutes(20));
        assertThat(used.idle()).isEqualTo(Duration.ofMinutes(70));
    }

    /** Against looking at each minute. */
    @Property(tries = 300)
    void the_union_covers_each_minute_once(@ForAll long seed) {
        Random random = new Random(seed);
        List<Interval> spans = new ArrayList<>();
        for (int i = 0; i < random.nextInt(12); i++) {
            int from = random.nextInt(200);
            spans.add(span(from, from + 1 + random.nextInt(40)));
        }
        long minutes = LongStream.range(0, 300)
                .filter(m -> spans.stream().anyMatch(s -> s.contains(TEN.plusSeconds(60 * m))))
                .count();
        assertThat(Spans.covered(List.of(span(0, 300)), spans)).isEqualTo(Duration.ofMinutes(minutes));
        List<Interval> union = Spans.union(spans);
        for (int i = 1; i < union.size(); i++) {
            assertThat(union.get(i).start()).isAfter(union.get(i - 1).end());
        }
    }
}
