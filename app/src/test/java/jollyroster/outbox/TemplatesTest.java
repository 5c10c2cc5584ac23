package jollyroster.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.TemplateText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The texts that ship with the program. */
class TemplatesTest {

    private static final String NAME = "Ade *the* [click](https://evil.example) O'Strand";

    private static Map<String, Object> values() {
        Map<String, Object> values = new HashMap<>();
        for (String name : new String[] {
            "first_name",
            "name",
            "title",
            "starts",
            "place",
            "answer_by",
            "organisation",
            "words",
            "reply",
            "summary",
            "what",
            "hosts",
            "day",
            "subject",
            "text",
            "by",
            "code",
            "minutes"
        }) {
            values.put(name, "<" + name + ">");
        }
        for (String link : new String[] {
            "answer_link",
            "confirm_link",
            "answers_link",
            "registrations_link",
            "team_link",
            "session_link",
            "telling_link",
            "desk_link",
            "meetings_link"
        }) {
            values.put(link, "https://saltmarrow.example/" + link);
        }
        values.put("more_dates", true);
        values.put("lines", List.of("<b>Wren</b> registered"));
        values.put(
                "sessions",
                List.of(Map.of(
                        "title",
                        "Knots",
                        "starts",
                        "19:00",
                        "place",
                        "Quay",
                        "bring",
                        "Rope",
                        "nobody",
                        false,
                        "people",
                        List.of("Wren"),
                        "session_link",
                        "https://saltmarrow.example/s")));
        return values;
    }

    @ParameterizedTest
    @EnumSource(LetterKind.class)
    void every_letter_has_a_subject_and_words_and_names_only_what_it_is_given(LetterKind kind) {
        Templates templates = new Templates();
        assertThat(templates.subject(kind, values())).isNotBlank().doesNotContain("{{", "Subject:");
        assertThat(templates.of(kind).text(values())).isNotBlank().doesNotContain("{{", "Subject:");
        assertThat(templates.of(kind).html(values())).contains("<p>").doesNotContain("{{", "<first_name>");
    }

    @Test
    void signs_in_a_name_are_as_typed_in_the_text_and_mean_nothing_in_the_html() {
        Map<String, Object> values = values();
        values.put("name", NAME);
        Templates.Body answered = new Templates().of(LetterKind.ANSWERED);
        assertThat(answered.text(values)).startsWith(NAME + " says");
        assertThat(answered.html(values)).contains("*the*").doesNotContain("href=\"https://evil.example\"", "<em>");
    }

    @Test
    void the_text_part_reads_as_a_letter_without_signs_for_bold() {
        for (LetterKind kind : LetterKind.values()) {
            assertThat(new Templates().of(kind).text(values())).as(kind.name()).doesNotContain("**");
        }
        Templates.Body own = new Templates().compile("Bring **boots**, {{name}}");
        assertThat(own.text(Map.of("name", "**Wren**")))
                .as("a name is as it was typed")
                .isEqualTo("Bring boots, **Wren**");
        assertThat(own.html(Map.of("name", "Wren"))).contains("<strong>boots</strong>");
    }

    @Test
    void every_name_is_explained_and_every_text_that_ships_is_without_fault() {
        assertThat(LetterNames.INVITED.keySet()).isEqualTo(LetterPreviews.SAMPLE_INVITED.keySet());
        assertThat(LetterNames.WORDS.keySet()).containsExactlyInAnyOrderElementsOf(LetterValues.names());
        for (Anchor anchor : LetterNames.MESSAGES) {
            Set<String> names =
                    Anchor.INVITING.contains(anchor) ? LetterPreviews.SAMPLE_INVITED.keySet() : LetterValues.names();
            assertThat(TemplateText.problems(new Templates().source(anchor), names))
                    .as(anchor.name())
                    .isEmpty();
        }
    }

    @Test
    void what_is_empty_is_not_written() {
        Map<String, Object> values = values();
        values.put("first_name", "");
        assertThat(new Templates().of(LetterKind.INVITED).text(values)).startsWith("Hello,\n");
    }

    @Test
    void a_machine_that_speaks_another_language_finds_the_same_texts() {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.forLanguageTag("tr-TR"));
            assertThat(new Templates().of(LetterKind.INVITED).text(values())).contains("invites you");
        } finally {
            Locale.setDefault(before);
        }
    }
}
