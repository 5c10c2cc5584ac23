package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ContactTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Marisol Achterberg",
                "J. R. Skerry",
                "St. John Strand",
                "Wren Skerry, M.Sc.",
                "Ph.D. Anneke",
                "李小龍",
                "O'Brannigan-Vance",
                "Bao"
            })
    void names_are_names(String name) {
        assertThat(Contact.name(name)).contains(name);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Win at https://evil.example now",
                "www.evil",
                "evil.example",
                "Kofi evil.EXAMPLE/prize",
                "kofi@evil.example"
            })
    void what_a_mail_program_would_make_a_link_of_is_no_name(String name) {
        assertThat(Contact.name(name)).isEmpty();
        assertThat(Contact.nameFault(name)).contains(Contact.NameFault.HOLDS_AN_ADDRESS);
    }

    @Test
    void a_name_holds_a_letter_and_is_not_endless() {
        assertThat(Contact.nameFault(" 12345")).contains(Contact.NameFault.MISSING);
        assertThat(Contact.nameFault("")).contains(Contact.NameFault.MISSING);
        assertThat(Contact.nameFault("\uD83D\uDEA4 é".repeat(40))).isEmpty();
        assertThat(Contact.nameFault("\uD83D\uDEA4 é".repeat(41))).contains(Contact.NameFault.TOO_LONG);
    }
}
