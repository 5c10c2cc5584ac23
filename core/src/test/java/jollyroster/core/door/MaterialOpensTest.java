package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MaterialOpensTest {

    private static final Instant START = Instant.parse("2027-03-10T16:00:00Z");
    private static final Instant END = Instant.parse("2027-03-10T17:00:00Z");

    @ParameterizedTest
    @CsvSource({
        "AT_ONCE, 2027-03-01T00:00:00Z, true",
        "FROM_START, 2027-03-10T15:59:59Z, false",
        "FROM_START, 2027-03-10T16:00:00Z, true",
        "AFTER, 2027-03-10T16:59:59Z, false",
        "AFTER, 2027-03-10T17:00:00Z, true"
    })
    void each_opens_sharp_at_its_moment(MaterialOpens opens, Instant now, boolean open) {
        assertThat(opens.isOpen(START, END, now)).isEqualTo(open);
    }
}
