package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class AnswerNamesTest {

    @Test
    void a_question_is_named_by_its_words_and_no_two_are_named_the_same() {
        assertThat(AnswerNames.of(List.of(
                        "Rope to take home?", "  Allergies / diet ", "Größe", "rope: to take HOME", "?!", "…", "")))
                .containsExactly(
                        "rope_to_take_home",
                        "allergies_diet",
                        "große",
                        "rope_to_take_home_2",
                        "question",
                        "question_2",
                        "question_3");
        assertThat(AnswerNames.of(List.of("x".repeat(300))).get(0)).hasSize(40);
        assertThat(AnswerNames.of(List.of("a".repeat(39) + " bcd")).get(0)).isEqualTo("a".repeat(39));
    }
}
