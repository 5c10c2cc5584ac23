package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import jollyroster.core.door.NameMatch.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NameMatchTest {

    private static final Known TOMAS = new Known(1, "Tomás Kestleborn", "tomas@crew.example");
    private static final Known WREN = new Known(2, "Wren Pennycot", "wren@crew.example");
    private static final List<Known> ROSTER = List.of(TOMAS, WREN);

    /** W. E. Winkler, String Comparator Metrics and Enhanced Decision Rules in the Fellegi-Sunter Model, 1990, table of pairs. */
    @ParameterizedTest
    @CsvSource({"MARTHA, MARHTA, 0.961", "DIXON, DICKSONX, 0.813", "DWAYNE, DUANE, 0.840"})
    void likeness_is_winklers(String one, String other, double likeness) {
        assertThat(NameMatch.likeness(one, other)).isCloseTo(likeness, within(0.0005));
    }

    @Test
    void an_address_says_most() {
        assertThat(NameMatch.of("Somebody Else", "WREN@crew.example", ROSTER)).contains(WREN);
    }

    @Test
    void capitals_accents_and_order_do_not_matter() {
        assertThat(NameMatch.of("KESTLEBORN, tomas", "", ROSTER)).contains(TOMAS);
    }

    @Test
    void nearly_the_same_is_probably_the_same() {
        assertThat(NameMatch.of("Tomas Kestelborn", "", ROSTER)).contains(TOMAS);
        assertThat(NameMatch.of("Priscilla Oduya-Lund", "", ROSTER)).isEmpty();
    }

    @Test
    void two_that_are_as_near_are_nobody() {
        Known one = new Known(3, "Ana Harrowby", "");
        Known other = new Known(4, "Ana Harrowbe", "");
        assertThat(NameMatch.of("Ana Harrowbi", "", List.of(one, other))).isEmpty();
        assertThat(NameMatch.of("Wren Pennycot", "", List.of(WREN, new Known(5, "Wren Pennycot", ""))))
                .as("two of one name")
                .isEmpty();
    }

    @Test
    void nothing_comes_of_odd_names() {
        assertThat(NameMatch.of("\u0301\u0301", "", ROSTER)).isEmpty();
        assertThat(NameMatch.of("", "", ROSTER)).isEmpty();
    }
}
