package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A page that was written once, with gaps for what is each reader's own. */
class WrittenPageTest {

    private static String write(WrittenPage page, String... own) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            page.writeTo(out, List.of(own));
        } catch (IOException neverInMemory) {
            throw new java.io.UncheckedIOException(neverInMemory);
        }
        return out.toString(StandardCharsets.UTF_8);
    }

    @Test
    void each_reader_gets_their_own_wherever_it_stands() {
        WrittenPage page = WrittenPage.of("<p>a1</p><p>b2</p><p>1</p>", List.of("1", "2"));
        assertThat(write(page, "x", "y")).isEqualTo("<p>ax</p><p>by</p><p>x</p>");
        assertThat(write(page, "longer than it was", ""))
                .isEqualTo("<p>alonger than it was</p><p>b</p><p>longer than it was</p>");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "TOKEN", "TOKENTOKEN", "x", "xTOKEN", "TOKENx", "Tomé ✓ 𐐷 TOKEN שלום", "TOKE TOKEN OKEN"})
    void with_what_it_was_written_for_it_is_the_page_again(String text) {
        assertThat(write(WrittenPage.of(text, List.of("TOKEN")), "TOKEN")).isEqualTo(text);
        assertThat(write(WrittenPage.of(text, List.of("TOKEN")), "other")).isEqualTo(text.replace("TOKEN", "other"));
    }

    @Test
    void what_fills_one_gap_is_not_taken_for_another() {
        WrittenPage page = WrittenPage.of("first second", List.of("first", "second"));
        assertThat(write(page, "second", "first")).isEqualTo("second first");
    }
}
