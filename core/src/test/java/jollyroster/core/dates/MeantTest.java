package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MeantTest {

    @Test
    void aDayIsReadAsAFormSendsIt() {
        assertThat(Meant.day(" 2027-03-29 ")).contains(LocalDate.of(2027, 3, 29));
        assertThat(Meant.day("2000-01-01")).isPresent();
        assertThat(Meant.day("2199-12-31")).isPresent();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "1901-01-01",
                "2200-01-01",
                "9999-12-31",
                "2027-02-30",
                "+999999999-01-01",
                "29 March",
                "2027-3-9"
            })
    void whatNobodyMeansIsNoDay(String text) {
        assertThat(Meant.day(text)).isEmpty();
    }

    @Test
    void aMomentIsReadWithItsPlusLostOnTheWay() {
        Instant two = Instant.parse("2027-03-29T12:00:00Z");
        assertThat(Meant.moment("2027-03-29T14:00+02:00")).contains(two);
        assertThat(Meant.moment("2027-03-29T14:00 02:00")).contains(two);
        assertThat(Meant.moment("2027-03-29T12:00:00Z")).contains(two);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "2027-03-29T14:00", "1901-03-29T14:00Z", "9999-03-29T14:00Z", "soon"})
    void whatNobodyMeansIsNoMoment(String text) {
        assertThat(Meant.moment(text)).isEmpty();
        assertThat(Meant.moment("2027-03-29T14:00Z" + "0".repeat(5000))).isEmpty();
    }
}
