package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

class WallClockTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @Test
    void what_is_kept_leads_back_to_the_instant() {
        Instant start = Instant.parse("2020-03-16T22:00:00Z");
        assertThat(WallClock.of(start, HALIFAX)).isEqualTo("2020-03-16T19:00");
        assertThat(WallClock.instant("2020-03-16T19:00", HALIFAX, Instant.EPOCH))
                .isEqualTo(start);
    }

    /** On 1 November 2020 Halifax had 01:30 twice, at 04:30 and 05:30 UTC (IANA zones). */
    @Test
    void of_a_time_that_comes_twice_the_one_it_was_stays() {
        Instant later = Instant.parse("2020-11-01T05:30:00Z");
        assertThat(WallClock.instant("2020-11-01T01:30", HALIFAX, later)).isEqualTo(later);
        assertThat(WallClock.instant("2020-11-01T01:30", HALIFAX, Instant.EPOCH))
                .isEqualTo("2020-11-01T04:30:00Z");
    }

    @Test
    void rules_have_a_release_and_fixed_offsets_none() {
        assertThat(WallClock.rules(HALIFAX)).matches("20\\d\\d[a-z]+");
        assertThat(WallClock.rules(ZoneOffset.ofHours(-4))).isEmpty();
    }
}
