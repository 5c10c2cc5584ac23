package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.AnswerCheck.Problem;
import jollyroster.core.intake.Question.Kind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One line for each kind of question and each way to get it wrong. */
class AnswerCheckTest {

    private static AnswerCheck check(Kind kind, Bounds bounds, String entered) {
        List<Option> options = kind.hasOptions()
                ? List.of(Option.unlimited("Dinghy"), Option.unlimited("Gig"), Option.unlimited("Launch"))
                : List.of();
        Question question = new Question("q", kind, "Q?", "", true, options, bounds, Optional.empty(), false);
        return AnswerCheck.of(question, entered.replace('/', kind.hasOptions() ? '\n' : '/'), "CA");
    }

    @ParameterizedTest
    @CsvSource({
        "PHONE, 902 555 0147, +19025550147",
        "PHONE, +47 22 12 34 56, +4722123456",
        "EMAIL, Teo@Crew.example, teo@crew.example",
        "WEB_ADDRESS, club.example/boats, https://club.example/boats",
        "WEB_ADDRESS, http://club.example, http://club.example",
        "NUMBER, '1,50', 1.5",
        "NUMBER, −3, -3",
        "NUMBER, 0.000, 0",
        "DATE, 2027-03-16, 2027-03-16",
        "YES_NO, no, no",
        "CHOOSE_ONE, Gig, Gig",
    })
    void kept_in_one_form(Kind kind, String entered, String kept) {
        assertThat(check(kind, Bounds.NONE, entered)).isEqualTo(new AnswerCheck.Answered(kept));
    }

    @Test
    void several_choices_are_kept_in_the_order_of_the_options() {
        assertThat(check(Kind.CHOOSE_SEVERAL, Bounds.NONE, "Launch/Dinghy/Launch"))
                .isEqualTo(new AnswerCheck.Answered("Dinghy\nLaunch"));
    }

    @ParameterizedTest
    @CsvSource({
        "PHONE, '', '', 12, NOT_A_PHONE_NUMBER",
        "EMAIL, '', '', teo at crew, NOT_AN_EMAIL",
        "WEB_ADDRESS, '', '', javascript:alert(1), NOT_A_WEB_ADDRESS",
        "WEB_ADDRESS, '', '', ftp://club.example, NOT_A_WEB_ADDRESS",
        "WEB_ADDRESS, '', '', localhost, NOT_A_WEB_ADDRESS",
        "NUMBER, '', '', 1e9, NOT_A_NUMBER",
        "NUMBER, '', '', 12345678901234567890, NOT_A_NUMBER",
        "NUMBER, 10, 20, 9.99, OUT_OF_BOUNDS",
        "NUMBER, 10, 20, 20.01, OUT_OF_BOUNDS",
        "DATE, '', '', 2027-02-30, NOT_A_DATE",
        "DATE, 2027-01-01, '', 2026-12-31, OUT_OF_BOUNDS",
        "CHOOSE_ONE, '', '', Canoe, NOT_AN_OPTION",
        "CHOOSE_SEVERAL, '', '', Gig/Canoe, NOT_AN_OPTION",
        "CHOOSE_SEVERAL, '', 1, Gig/Launch, OUT_OF_BOUNDS",
        "CHOOSE_SEVERAL, 2, '', Gig, OUT_OF_BOUNDS",
        "SHORT_TEXT, '', 3, abcd, OUT_OF_BOUNDS",
        "YES_NO, '', '', maybe, NOT_AN_OPTION",
    })
    void wrong_answers_say_what_is_wrong(Kind kind, String least, String most, String entered, Problem problem) {
        assertThat(check(kind, new Bounds(least, most), entered)).isEqualTo(new AnswerCheck.Wrong(problem));
    }

    @ParameterizedTest
    @CsvSource({
        "NUMBER, 1, 2, true",
        "NUMBER, 2, 1, false",
        "NUMBER, one, '', false",
        "DATE, 2027-01-01, 2027-01-01, true",
        "DATE, 1, '', false",
        "CHOOSE_SEVERAL, 1, 3, true",
        "CHOOSE_ONE, 1, '', false",
        "EMAIL, '', '', true",
    })
    void limits_must_make_sense(Kind kind, String least, String most, boolean fit) {
        assertThat(new Bounds(least, most).fit(kind)).isEqualTo(fit);
    }

    @ParameterizedTest
    @CsvSource({"Dinghy | 4, Dinghy, 4", "Dinghy|12, Dinghy, 12", "Gig, Gig, -1", "Either | or, Either | or, -1"})
    void options_are_typed_with_their_number(String typed, String label, int most) {
        Option option = Option.typed(typed).orElseThrow();
        assertThat(option.label()).isEqualTo(label);
        assertThat(option.most().orElse(-1)).isEqualTo(most);
        assertThat(Option.typed(option.typed())).contains(option);
    }
}
