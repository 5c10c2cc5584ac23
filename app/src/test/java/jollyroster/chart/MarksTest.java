package jollyroster.chart;

import static org.assertj.core.api.Assertions.assertThat;

import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;

/** Marks with a word or a button, written as HTML. */
class MarksTest {

    @Test
    void a_state_has_its_mark_and_its_word() {
        var state = Jsoup.parseBodyFragment(StateMark.of("called-up", "called up"));
        assertThat(state.select(".state-called-up svg[aria-hidden=true] use").attr("href"))
                .isEqualTo("#seat-called");
        assertThat(state.text()).isEqualTo("called up");
        assertThat(StateMark.of("unconfirmed", "held")).contains("#seat-held");
        assertThat(StateMark.of("declined", "no")).contains("#seat-gone");
        assertThat(StateMark.of("maybe", "maybe")).contains("#seat-taken");
        assertThat(StateMark.of("free", "to do")).contains("#seat-free");
    }

    @Test
    void words_are_encoded() {
        assertThat(StateMark.of("free", "<b>&\""))
                .contains("&lt;b&gt;&amp;&quot;")
                .doesNotContain("<b>");
    }

    @Test
    void the_verdict_given_by_hand_is_pressed_and_pressing_it_again_takes_it_back() {
        var buttons = Jsoup.parseBodyFragment(HandMarks.of("PART")).select("button[name=verdict]");
        assertThat(buttons.eachAttr("aria-pressed")).containsExactly("false", "true", "false");
        assertThat(buttons.eachAttr("value")).containsExactly("ATTENDED", "", "ABSENT");
        assertThat(buttons.eachAttr("aria-label"))
                .containsExactly("mark attended by hand", "mark part by hand", "mark absent by hand");
        assertThat(Jsoup.parseBodyFragment(HandMarks.of("")).select("[aria-pressed=true]"))
                .isEmpty();
    }
}
