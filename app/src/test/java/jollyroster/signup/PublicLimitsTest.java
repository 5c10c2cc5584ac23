package jollyroster.signup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PublicLimitsTest {

    private final PublicLimits limits = new PublicLimits(12);

    @Test
    void a_stranger_gets_a_dozen_letters_whoever_asks() {
        long written = IntStream.range(0, 50)
                .filter(i -> limits.mayWrite("stranger@crew.example", i, "198.51.100." + i))
                .count();
        assertThat(written).isEqualTo(12);
    }

    @Test
    void three_hundred_people_behind_one_address_all_get_in() {
        assertThat(IntStream.range(0, 300))
                .allMatch(i -> limits.mayWrite("crew" + i + "@crew.example", 7, "203.0.113.9"));
    }

    @Test
    void a_network_has_its_limit_and_a_proxy_on_this_machine_has_none() {
        long one = IntStream.range(0, 5000)
                .filter(i -> limits.mayWrite("a" + i + "@crew.example", i, "203.0.113." + i % 200))
                .count();
        assertThat(one).isBetween(1000L, 1200L);
        assertThat(IntStream.range(0, 5000)).allMatch(i -> limits.mayWrite("b" + i + "@crew.example", 7, "127.0.0.1"));
    }

    @Test
    void an_own_page_takes_what_one_person_does_in_an_hour() {
        long changes = IntStream.range(0, 100).filter(i -> limits.mayChange(5)).count();
        assertThat(changes).isEqualTo(40);
        assertThat(limits.mayChange(6)).isTrue();
    }
}
