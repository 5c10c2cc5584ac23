package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

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
                "kofi@evil.example",
                "12345",
                ""
            })
    void what_a_mail_program_would_make_a_link_of_is_no_name(String name) {
        assertThat(Contact.name(name)).isEmpty();
    }
}
