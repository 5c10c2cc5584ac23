package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuestionTest {

    private static final Question HOLDS = Question.plain(
            "holds", Question.Kind.CHOOSE_ONE, "What do you hold?", "", true, List.of("None yet", "VHF"));
    private static final Question DIET = Question.plain("diet", Question.Kind.SHORT_TEXT, "Diet", "", false, List.of());
    private static final Question AGREE =
            Question.plain("terms", Question.Kind.AGREEMENT, "I can swim 50 m", "", true, List.of());

    @Test
    void a_choice_must_be_one_of_the_options() {
        assertThat(AnswerCheck.of(HOLDS, "VHF", "CA")).isEqualTo(new AnswerCheck.Answered("VHF"));
        assertThat(AnswerCheck.of(HOLDS, "Captain", "CA")).isEqualTo(wrong(AnswerCheck.Problem.NOT_AN_OPTION));
        assertThat(AnswerCheck.of(HOLDS, "  ", "CA")).isEqualTo(wrong(AnswerCheck.Problem.MISSING));
    }

    @Test
    void an_optional_question_may_be_left_alone() {
        assertThat(AnswerCheck.of(DIET, "", "CA")).isEqualTo(new AnswerCheck.Answered(""));
        assertThat(AnswerCheck.of(DIET, "x".repeat(201), "CA")).isEqualTo(wrong(AnswerCheck.Problem.TOO_LONG));
        assertThat(AnswerCheck.of(DIET, "⛵".repeat(200), "CA")).isInstanceOf(AnswerCheck.Answered.class);
    }

    @Test
    void a_required_agreement_must_be_ticked() {
        assertThat(AnswerCheck.of(AGREE, "yes", "CA")).isEqualTo(new AnswerCheck.Answered("yes"));
        assertThat(AnswerCheck.of(AGREE, "", "CA")).isEqualTo(wrong(AnswerCheck.Problem.NOT_AGREED));
        assertThat(AnswerCheck.of(AGREE, "no", "CA")).isEqualTo(wrong(AnswerCheck.Problem.NOT_AN_OPTION));
    }

    @Test
    void a_choice_needs_options() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Question.plain("k", Question.Kind.CHOOSE_ONE, "Which?", "", true, List.of()));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"Kofi Brannigan", "Søren O’Þór", "李雷", "مريم", "Anneke ⛵ Vos", "Robert'); DROP", "<b>Wren</b>"})
    void names_of_all_sorts_are_names(String name) {
        assertThat(Contact.name(name)).contains(name);
    }

    @Test
    void names_are_compared_without_accents_case_and_order() {
        assertThat(Contact.folded("Ünal Ödegård")).isEqualTo(Contact.folded("odegard, UNAL"));
        assertThat(Contact.folded("Wren Skerry")).isNotEqualTo(Contact.folded("Wren Skelly"));
        assertThat(Contact.fullName("Wren")).isEmpty();
        assertThat(Contact.fullName(" Wren  Skerry ")).contains("Wren Skerry");
    }

    @Test
    void names_are_put_on_one_line_and_cannot_turn_the_text_around() {
        assertThat(Contact.name("  Wren\r\nBcc: everybody ")).contains("Wren Bcc: everybody");
        assertThat(Contact.name("Ade\u202Etxt exe")).contains("Adetxt exe");
        assertThat(Contact.name("")).isEmpty();
        assertThat(Contact.name("12 34")).isEmpty();
        assertThat(Contact.name("x".repeat(10_000))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"Kofi@Brannigan.Example,kofi@brannigan.example", " a+b@c.example ,a+b@c.example"})
    void addresses_are_kept_in_lower_case(String entered, String kept) {
        assertThat(Contact.email(entered)).contains(kept);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "kofi",
                "kofi@",
                "@x.example",
                "a@b",
                "a b@c.example",
                "a@c.example\nBcc: d@e.example",
                "a@-c.example"
            })
    void what_is_not_an_address_is_refused(String entered) {
        assertThat(Contact.email(entered)).isEmpty();
    }

    /** Numbers from the ranges kept for fiction; E.164 through libphonenumber. */
    @Test
    void phones_are_kept_in_international_form() {
        assertThat(Contact.phone("(902) 555-0147", "CA")).contains("+19025550147");
        assertThat(Contact.phone("+44 1632 960123", "CA")).contains("+441632960123");
        assertThat(Contact.phone("12", "CA")).isEmpty();
        assertThat(Contact.phone("call me", "CA")).isEmpty();
    }

    private static AnswerCheck wrong(AnswerCheck.Problem problem) {
        return new AnswerCheck.Wrong(problem);
    }
}
