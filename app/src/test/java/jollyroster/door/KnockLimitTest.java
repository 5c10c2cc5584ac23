package jollyroster.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class KnockLimitTest {

    private final KnockLimit limit = new KnockLimit(60);

    private long taken(String sender, String door) {
        return IntStream.range(0, 1000)
                .filter(i -> limit.mayKnock(sender, door))
                .count();
    }

    @Test
    void a_thousand_knocks_from_one_network_are_few() {
        assertThat(taken("198.51.100.7", "first")).isBetween(60L, 65L);
        assertThat(limit.mayKnock("198.51.100.99", "first"))
                .as("the same network")
                .isFalse();
        assertThat(limit.mayKnock("203.0.113.9", "first")).as("another").isTrue();
        assertThat(limit.mayKnock("198.51.100.7", "second")).as("another door").isTrue();
    }

    @Test
    void a_proxy_on_this_machine_speaks_for_everybody() {
        assertThat(taken("127.0.0.1", "first")).isEqualTo(1000);
    }
}
