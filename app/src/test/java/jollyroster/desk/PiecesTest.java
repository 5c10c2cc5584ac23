package jollyroster.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import jollyroster.AppTest;
import jollyroster.desk.SessionView.Attendance;
import jollyroster.desk.SessionView.Bar;
import jollyroster.desk.SessionView.Line;
import jollyroster.desk.SessionView.Logged;
import jollyroster.desk.SessionView.Row;
import jollyroster.platform.Pieces;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Pieces of pages that are written once and known from then on. */
@AppTest
class PiecesTest {

    private static final Attendance NOTHING = new Attendance("none", "", "", "", false, "", new Bar(List.of()));

    @Autowired
    Pieces pieces;

    private static Line line(String name, boolean organiser) {
        Row row = new Row(
                5,
                "registered",
                "registered",
                name,
                "w@crew.example",
                2,
                "",
                "Lisbon 22:00",
                List.of("Curlew"),
                "new",
                NOTHING,
                true,
                false);
        return new Line(3, organiser, false, List.of("Your boat"), row);
    }

    private String row(Line line) {
        return pieces.write("desk/row", "row", line);
    }

    private static Element read(String markup) {
        return Jsoup.parse("<table><tbody>" + markup + "</tbody></table>").selectFirst("tr");
    }

    @Test
    void equal_values_are_written_once_and_others_on_their_own() {
        assertThat(row(line("Wren Skerry", true))).isSameAs(row(line("Wren Skerry", true)));
        assertThat(read(row(line("Wren Skerry", true)))
                        .select("td.name span")
                        .first()
                        .text())
                .isEqualTo("Wren Skerry");
        assertThat(read(row(line("Teo Vance", true))).text())
                .contains("Teo Vance")
                .doesNotContain("Wren");
        assertThat(read(row(line("Wren Skerry", false))).select("form")).isEmpty();
        assertThat(pieces.writeAll("desk/row", "row", List.of(line("Wren", true), line("Teo", true))))
                .isEqualTo(row(line("Wren", true)) + "\n" + row(line("Teo", true)));
    }

    @Test
    void what_people_wrote_stays_text() {
        String markup = row(line("<b>\"Mal\"</b> & ${1+1} [[${1+1}]]", true));
        assertThat(markup).doesNotContain("<b>");
        assertThat(Parser.unescapeEntities(markup, false)).contains("${1+1} [[${1+1}]]");
        assertThat(pieces.write("desk/row", "logged", new Logged("now", "a", "", "<i>", "<script>")))
                .doesNotContain("<i>", "<script>");
    }

    @Test
    void a_form_gets_the_token_of_whoever_reads_it() {
        String own = pieces.own(row(line("Wren Skerry", true)), "a-token");
        assertThat(read(own).select("form input[name=_csrf]").eachAttr("value")).containsOnly("a-token");
        String other = pieces.own(row(line("Wren Skerry", true)), "another");
        assertThat(other).contains("another").doesNotContain("a-token");
    }
}
