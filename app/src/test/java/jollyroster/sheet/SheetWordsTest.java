package jollyroster.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Lists and numbers in the sentences of a sheet. */
class SheetWordsTest {

    @Test
    void a_list_reads_as_people_say_it() {
        assertThat(Sentence.list(List.of()).text()).isEmpty();
        assertThat(Sentence.list(List.of(Sentence.of("a"))).text()).isEqualTo("a");
        assertThat(Sentence.list(List.of(Sentence.of("a"), Sentence.strong("b")))
                        .text())
                .isEqualTo("a and b");
        Sentence three = Sentence.list(List.of(Sentence.of("a"), Sentence.strong("b"), Sentence.of("c")));
        assertThat(three.text()).isEqualTo("a, b and c");
        assertThat(three.pieces()).filteredOn(Sentence.Piece::strong).hasSize(1);
    }

    @Test
    void nothing_is_a_zero_and_one_has_no_s() {
        assertThat(Counted.of(1, "seat")).isEqualTo("1 seat");
        assertThat(Counted.of(1200, "seat")).isEqualTo("1,200 seats");
        assertThat(Counted.beforeStart(0)).isEqualTo("at the start");
        assertThat(Counted.beforeStart(90)).isEqualTo("1 h 30 min before the start");
        assertThat(Counted.beforeStart(72 * 60)).isEqualTo("3 days before the start");
    }
}
