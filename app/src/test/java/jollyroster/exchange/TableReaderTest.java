package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** RFC 4180, section 2, and the tables people really have. */
class TableReaderTest {

    private static List<List<String>> cells(String text) throws TableReader.NotATable {
        return TableReader.read(text, 100).rows().stream()
                .map(TableReader.Row::cells)
                .toList();
    }

    /** RFC 4180, 2.5 to 2.7: quotes around fields, line breaks and doubled quotes in them. */
    @Test
    void quoted_fields_keep_commas_breaks_and_quotes() throws TableReader.NotATable {
        assertThat(cells("a,b,c\r\n\"aaa\",\"b\r\nbb\",\"c\"\"cc\"\r\nzzz,\"y,y\",xxx\r\n"))
                .containsExactly(List.of("aaa", "b\r\nbb", "c\"cc"), List.of("zzz", "y,y", "xxx"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"name,email\nWren,w@x.example", "name;email\nWren;w@x.example", "name\temail\nWren\tw@x.example"
            })
    void the_usual_delimiters_are_known(String text) throws TableReader.NotATable {
        assertThat(cells(text)).containsExactly(List.of("Wren", "w@x.example"));
    }

    @Test
    void short_rows_are_filled_up_and_long_ones_cut() throws TableReader.NotATable {
        assertThat(cells("a,b\n1\n1,2,3\n,\n")).containsExactly(List.of("1", ""), List.of("1", "2"));
    }

    @Test
    void encodings_are_told_apart() {
        String name = "Tomé Ødegård";
        assertThat(TableReader.text(name.getBytes(StandardCharsets.UTF_8))).isEqualTo(name);
        assertThat(TableReader.text(("\uFEFF" + name).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(name);
        assertThat(TableReader.text(("\uFEFF" + name).getBytes(StandardCharsets.UTF_16LE)))
                .isEqualTo(name);
        assertThat(TableReader.text(("\uFEFF" + name).getBytes(StandardCharsets.UTF_16BE)))
                .isEqualTo(name);
        assertThat(TableReader.text(name.getBytes(Charset.forName("windows-1252"))))
                .isEqualTo(name);
    }

    @Test
    void what_is_no_table_says_why() {
        assertThatThrownBy(() -> TableReader.read("", 100)).hasMessageContaining("row of headings");
        assertThatThrownBy(() -> TableReader.read("a,b\n\"open,1\n", 100)).hasMessageContaining("quotation mark");
        assertThatThrownBy(() -> TableReader.read("a\n" + "x\n".repeat(101), 100))
                .hasMessageContaining("100 rows");
        assertThatThrownBy(() -> TableReader.read("a\n" + "x\n".repeat(100_000), 5000))
                .hasMessageContaining("5,000 rows");
    }
}
