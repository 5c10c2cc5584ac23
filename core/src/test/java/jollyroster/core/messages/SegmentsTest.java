package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import jollyroster.core.messages.Segments.Alphabet;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The tables are those of 3GPP TS 23.038, version 17, 6.2.1 and 6.2.1.1. */
class SegmentsTest {

    private static final String BOAT = "\uD83D\uDEA4";

    @ParameterizedTest
    @CsvSource({
        "a, 0, 0",
        "a, 1, 1",
        "a, 160, 1",
        "a, 161, 2",
        "a, 306, 2",
        "a, 307, 3",
        "—, 70, 1",
        "—, 71, 2",
        "—, 134, 2",
        "—, 135, 3",
        "€, 80, 1",
        "€, 81, 2"
    })
    void parts_are_counted_as_phones_count_them(String character, int times, int parts) {
        assertThat(Segments.of(character.repeat(times)).parts()).isEqualTo(parts);
    }

    @Test
    void what_is_in_the_extension_counts_two() {
        Segments almost = Segments.of("a".repeat(159) + "€");
        assertThat(almost.units()).isEqualTo(161);
        assertThat(almost.parts()).isEqualTo(2);
        assertThat(Segments.of("^{}\\[~]|€\f").units()).isEqualTo(20);
    }

    @Test
    void nothing_that_counts_two_is_split_between_parts() {
        assertThat(Segments.of("a".repeat(152) + "€" + "a".repeat(152)).parts()).isEqualTo(3);
        assertThat(Segments.of("—".repeat(66) + BOAT + "—".repeat(66)).parts()).isEqualTo(3);
        assertThat(Segments.of(BOAT.repeat(35)).parts()).isEqualTo(1);
        assertThat(Segments.of(BOAT.repeat(66)).parts()).as("33 to a part").isEqualTo(2);
        assertThat(Segments.of(BOAT.repeat(67)).parts()).isEqualTo(3);
    }

    @Test
    void one_character_outside_makes_it_all_wide() {
        Segments wide = Segments.of("Zoë".repeat(1));
        assertThat(wide.alphabet()).isEqualTo(Alphabet.UCS_2);
        assertThat(Segments.wide("Zoë’s boat — é")).containsExactly("ë", "’", "—");
        assertThat(Segments.of("àéèìòù ÄÖÜäöüß ÆØÅæøå ñ ¿¡ £¥§¤ ΔΦΓΛΩΠΨΣΘΞ").alphabet())
                .isEqualTo(Alphabet.GSM_7);
        assertThat(Segments.of("á").alphabet()).as("not in the table, à is").isEqualTo(Alphabet.UCS_2);
        assertThat(Segments.of("`").alphabet()).isEqualTo(Alphabet.UCS_2);
    }

    @Test
    void typographic_signs_are_written_plainly_where_that_makes_it_narrow() {
        assertThat(Segments.narrowed("Wren’s boat – 19:00–21:00 “sharp”…"))
                .isEqualTo("Wren's boat - 19:00-21:00 \"sharp\"...");
        assertThat(Segments.narrowed("Zoë’s boat – now")).as("wide anyway").isEqualTo("Zoë’s boat – now");
    }

    @Property
    void plain_text_fills_its_parts(
            @ForAll @StringLength(min = 161, max = 2000) @Chars({'a', 'Z', ' ', '1'}) String text) {
        Segments counted = Segments.of(text);
        assertThat(counted.parts()).isEqualTo((text.length() + 152) / 153);
        assertThat(counted.parts() * 153 - counted.left()).isEqualTo(text.length());
    }

    @Property
    void wide_text_is_counted_in_the_units_it_is_written_in(@ForAll @StringLength(max = 300) String text) {
        Segments counted = Segments.of(text + "—");
        int units = (text + "—").getBytes(StandardCharsets.UTF_16BE).length / 2;
        assertThat(counted.units()).isEqualTo(units);
        assertThat(counted.parts()).isGreaterThanOrEqualTo((units + 69) / 70);
    }

    @ParameterizedTest
    @ValueSource(strings = {"STOP", "stop", " Stop. ", "“Stop”", "STOPALL", "Unsubscribe", "quit!", "END", "cancel"})
    void stop_is_understood_however_it_is_said(String said) {
        assertThat(TextReply.of(said)).isEqualTo(TextReply.STOP);
    }

    @ParameterizedTest
    @CsvSource({
        "Yes, YES",
        "YES!, YES",
        "y, YES",
        "'Yes, please', YES",
        "no, NO",
        "'No, thank you.', NO",
        "Help, HELP",
        "?, WORDS",
        "start, START",
        "unstop, START",
        "I will stop by, WORDS",
        "yes if it does not rain, WORDS",
        "'', WORDS",
        "stopp, WORDS"
    })
    void a_reply_is_a_word_or_something_to_read(String said, TextReply meant) {
        assertThat(TextReply.of(said)).isEqualTo(meant);
    }
}
