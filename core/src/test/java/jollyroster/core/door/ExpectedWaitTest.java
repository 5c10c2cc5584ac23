package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

class ExpectedWaitTest {

    @Test
    void it_is_the_median_of_what_others_waited_in_whole_minutes() {
        assertThat(ExpectedWait.ofOthers(
                        List.of(Duration.ofSeconds(590), Duration.ofSeconds(20), Duration.ofSeconds(170))))
                .contains(Duration.ofMinutes(3));
    }

    @Test
    void nothing_is_said_of_less_than_a_minute_or_where_nobody_has_waited() {
        assertThat(ExpectedWait.ofOthers(List.of())).isEmpty();
        assertThat(ExpectedWait.ofOthers(List.of(Duration.ofSeconds(29)))).isEmpty();
    }
}
