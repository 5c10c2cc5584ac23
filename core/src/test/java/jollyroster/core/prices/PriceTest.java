package jollyroster.core.prices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.Currency;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PriceTest {

    @ParameterizedTest
    @CsvSource({
        "180, CAD, CAD 180.00",
        "'12,5', EUR, EUR 12.50",
        "1200, JPY, 'JPY 1,200'",
        "1.234, BHD, BHD 1.234",
        "'', CAD, CAD 0.00",
        "100000, CAD, 'CAD 100,000.00'",
    })
    void amounts_are_read_as_people_type_them(String typed, String currency, String words) {
        assertThat(Price.typed(typed, currency).orElseThrow().inWords()).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource({
        "-1, CAD",
        "1e9, CAD",
        "12.345, CAD",
        "1.5, JPY",
        "99999999, CAD",
        "100000.01, CAD",
        "twelve, CAD",
        "12, XXX",
        "12, cad",
        "12 000, CAD",
    })
    void negative_absurd_and_unknown_amounts_are_refused(String typed, String currency) {
        assertThat(Price.typed(typed, currency)).isEmpty();
    }

    @Test
    void a_party_pays_for_each_person() {
        assertThat(Price.typed("12.50", "CAD").orElseThrow().times(3).inWords()).isEqualTo("CAD 37.50");
        assertThatIllegalArgumentException().isThrownBy(() -> new Price(-1, Currency.getInstance("CAD")));
    }

    @Property
    void what_is_written_reads_as_the_same(@ForAll @LongRange(max = 10_000_000) long minor) {
        Price price = new Price(minor, Currency.getInstance("EUR"));
        assertThat(Price.typed(price.amount(), "EUR")).contains(price);
    }
}
