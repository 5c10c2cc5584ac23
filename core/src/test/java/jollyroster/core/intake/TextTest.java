package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextTest {

    @ParameterizedTest
    @CsvSource({
        "Émile, emile",
        "E\u0301mile, emile",
        "ÅSE, ase",
        "Straße, strasse",
        "ΣΊΣΥΦΟΣ, σισυφοσ",
        "Σίσυφος, σισυφοσ",
        "Quayle, quayle",
        "ÇELİK, celik",
        "李 Ming, 李 ming"
    })
    void a_search_makes_no_difference_of_accents_and_capitals(String entered, String compared) {
        assertThat(Text.folded(entered)).isEqualTo(compared);
        assertThat(Text.folded(compared)).as("folded again").isEqualTo(compared);
    }
}
