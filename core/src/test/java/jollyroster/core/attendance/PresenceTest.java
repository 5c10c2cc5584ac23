package jollyroster.core.attendance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import jollyroster.core.dates.Interval;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PresenceTest {

    private static final Interval SESSION = between("19:00", "20:30");

    /** Common practice, worked by hand: 20 + 30 + 25 minutes. */
    @Test
    void worked_example() {
        Presence presence = Presence.of(
                SESSION, List.of(between("18:52", "19:20"), between("19:15", "19:50"), between("20:05", "20:41")));
        assertThat(presence.time()).isEqualTo(Duration.ofMinutes(75));
        assertThat(presence.share() * 100).isCloseTo(83.3, within(0.05));
        assertThat(Verdict.of(presence.share(), Verdict.Thresholds.DEFAULT)).isEqualTo(Verdict.ATTENDED);
    }

    @ParameterizedTest
    @CsvSource({"0.75,ATTENDED", "0.7499,PART", "0.10,PART", "0.0999,ABSENT", "0,ABSENT", "1,ATTENDED"})
    void thresholds_are_inclusive(double share, Verdict verdict) {
        assertThat(Verdict.of(share, Verdict.Thresholds.DEFAULT)).isEqualTo(verdict);
    }

    @Test
    void who_never_came_is_absent_even_where_any_time_counts() {
        assertThat(Verdict.of(0, new Verdict.Thresholds(0.5, 0))).isEqualTo(Verdict.ABSENT);
    }

    @Provide
    Arbitrary<List<Interval>> connections() {
        return Arbitraries.integers()
                .between(-60, 150)
                .tuple2()
                .map(t -> {
                    Instant a = SESSION.start().plusSeconds(60L * Math.min(t.get1(), t.get2()));
                    Instant b = SESSION.start().plusSeconds(60L * Math.max(t.get1(), t.get2()));
                    return new Interval(a, b);
                })
                .list()
                .ofMaxSize(8);
    }

    /** Counts minutes one by one, which no clever union can get wrong. */
    @Property
    void presence_is_the_minutes_covered_by_any_connection(@ForAll("connections") List<Interval> connections) {
        long covered = SESSION.start().until(SESSION.end(), java.time.temporal.ChronoUnit.MINUTES);
        long counted = java.util.stream.LongStream.range(0, covered)
                .mapToObj(m -> SESSION.start().plusSeconds(60 * m))
                .filter(minute -> connections.stream().anyMatch(c -> c.contains(minute)))
                .count();
        assertThat(Presence.of(SESSION, connections).time()).isEqualTo(Duration.ofMinutes(counted));
    }

    @Property
    void the_order_of_connections_does_not_matter(@ForAll("connections") List<Interval> connections) {
        List<Interval> reversed = new ArrayList<>(connections);
        Collections.reverse(reversed);
        assertThat(Presence.of(SESSION, reversed).spans())
                .isEqualTo(Presence.of(SESSION, connections).spans());
    }

    private static Interval between(String from, String to) {
        return new Interval(Instant.parse("2027-03-16T" + from + ":00Z"), Instant.parse("2027-03-16T" + to + ":00Z"));
    }
}
