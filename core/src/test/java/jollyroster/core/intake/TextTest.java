package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
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

    @Test
    void words_are_cut_to_a_length_without_splitting_a_character() {
        assertThat(Text.manyLines("two\r\nlines", 100)).isEqualTo("two\nlines");
        assertThat(Text.manyLines("x".repeat(300), 10)).hasSize(10);
        String anchors = "a\u2693" + "\uD83D\uDEA4".repeat(3);
        assertThat(Text.manyLines(anchors, 5)).isEqualTo("a\u2693\uD83D\uDEA4");
        assertThat(Text.manyLines(anchors, 4)).isEqualTo("a\u2693\uD83D\uDEA4");
        assertThat(Text.manyLines("", 4)).isEmpty();
    }
}
