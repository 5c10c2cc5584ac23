package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import jollyroster.core.seats.SeatsShown.When;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeatsShownTest {

    @ParameterizedTest
    @CsvSource({
        "ALWAYS, 5, '1,200', '1,200 left', true",
        "ALWAYS, 5, 3, 3 left, true",
        "FEW, 5, 6, seats left, false",
        "FEW, 5, 5, few left, true",
        "FEW, 1, 1, few left, true",
        "NEVER, 5, 1, seats left, false",
    })
    void seats_are_told_as_the_offering_says(When when, int few, String left, String words, boolean told) {
        int number = Integer.parseInt(left.replace(",", ""));
        SeatsShown shown = new SeatsShown(when, few);
        assertThat(shown.words(number)).isEqualTo(words);
        assertThat(shown.tells(number)).isEqualTo(told);
    }

    @Test
    void few_is_one_or_more() {
        assertThatIllegalArgumentException().isThrownBy(() -> new SeatsShown(When.FEW, 0));
    }
}
