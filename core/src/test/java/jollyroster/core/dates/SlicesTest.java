package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class SlicesTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @Property
    void slices_cover_the_stretch_without_gap_or_overlap(
            @ForAll @IntRange(min = 0, max = 500_000) int startMinute,
            @ForAll @IntRange(min = 1, max = 120) int each,
            @ForAll @IntRange(min = 1, max = 60) int parts) {
        LocalDateTime start = LocalDateTime.of(2027, 1, 1, 0, 0).plusMinutes(startMinute);
        SessionTime whole = SessionTime.resolve(start, HALIFAX, Duration.ofMinutes((long) each * parts));
        List<SessionTime> slices = Slices.every(whole, Duration.ofMinutes(each)).orElseThrow();
        assertThat(slices).hasSize(parts);
        assertThat(slices.get(0).span().start()).isEqualTo(whole.span().start());
        assertThat(slices.get(parts - 1).span().end()).isEqualTo(whole.span().end());
        for (int i = 1; i < parts; i++) {
            assertThat(slices.get(i).span().start())
                    .isEqualTo(slices.get(i - 1).span().end());
        }
    }

    @Property
    void a_length_that_leaves_something_over_is_refused(@ForAll @IntRange(min = 7, max = 59) int minutes) {
        SessionTime hour = SessionTime.resolve(LocalDateTime.of(2027, 4, 6, 10, 0), HALIFAX, Duration.ofHours(1));
        assertThat(Slices.every(hour, Duration.ofMinutes(minutes)).isPresent()).isEqualTo(60 % minutes == 0);
    }

    private static Interval at(int minute, int length) {
        Instant start = Instant.parse("2027-03-17T13:00:00Z").plusSeconds(60L * minute);
        return new Interval(start, start.plusSeconds(60L * length));
    }

    @Test
    void dates_that_follow_one_another_are_slices() {
        assertThat(Slices.areCut(List.of(at(0, 10), at(10, 10), at(20, 10), at(30, 10))))
                .isTrue();
        assertThat(Slices.areCut(List.of(at(0, 10), at(10, 10), at(20, 10))))
                .as("too few")
                .isFalse();
        assertThat(Slices.areCut(List.of(at(0, 10), at(10, 10), at(20, 10), at(300, 10), at(30, 10))))
                .as("one was moved")
                .isTrue();
        assertThat(Slices.areCut(List.of(at(0, 90), at(1440, 90), at(2880, 90), at(4320, 90))))
                .as("a date a day")
                .isFalse();
        assertThat(Slices.areCut(List.of(at(0, 10), at(10, 20), at(30, 10), at(40, 20))))
                .as("of different lengths")
                .isFalse();
        assertThat(Slices.areCut(List.of())).isFalse();
    }
}
