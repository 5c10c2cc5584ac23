package jollyroster.owntime;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands.Saved;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Section;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Open hours on the sheet: chosen, read back, changed on the drawing, copied. */
@AppTest
class DrawnHoursTest extends AtTheClinic {

    @Autowired
    OwnTimeQueries ownTime;

    private Browserless organiser;
    private Offering clinic;

    @BeforeEach
    void sheet() {
        organiser = Browserless.organiser(port);
        clinic = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host());
    }

    private Element read(String hours, String... change) {
        Map<String, String> fields = new HashMap<>(Map.of("hours", hours));
        for (int i = 0; i < change.length; i += 2) {
            fields.put(change[i], change[i + 1]);
        }
        String sheet = "/desk/offerings/" + clinic.id();
        Browserless.Page page = organiser.post(sheet, sheet + "/hours/read", fields);
        assertThat(page.status()).isEqualTo(200);
        return page.document().select("[data-reading]").first();
    }

    @Test
    void hours_are_read_back_with_what_is_wrong() {
        Element reading = read("Mon 9-11, 14-16; Tue 9-11");
        assertThat(reading.select(".week-hours .band")).hasSize(3);
        assertThat(reading.select(".days-ahead li")).hasSize(28);
        assertThat(reading.select(".field-problem")).isEmpty();
        assertThat(read("Mon whenever").select(".field-problem").text()).startsWith("Open hours, line 1");
        assertThat(read("Mon 9-11").attr("data-text"))
                .as("what is typed is not written anew")
                .isEqualTo("Mon 9-11");
    }

    @Test
    void a_change_on_the_drawing_is_written_into_the_text() {
        assertThat(read("Mon 9-11", "edit", "weekday", "day", "2027-03-15", "wanted", "10:00-12:00")
                        .attr("data-text"))
                .isEqualTo("Mon 10:00-12:00");
        assertThat(read("Mon 9-11", "edit", "alike", "day", "2027-03-15").attr("data-text"))
                .isEqualTo("Mon–Fri 09:00-11:00");
        assertThat(read("Mon 9-11", "edit", "only", "day", "2027-03-15", "wanted", "")
                        .attr("data-text"))
                .isEqualTo("Mon 09:00-11:00\n15 Mar 2027 closed");
        assertThat(read("Mon 9-11; 15 Mar closed", "edit", "usual", "day", "2027-03-15")
                        .attr("data-text"))
                .isEqualTo("Mon 09:00-11:00");
        assertThat(read("Mon 9-11", "edit", "from", "day", "2027-03-15", "wanted", "14-15")
                        .attr("data-text"))
                .isEqualTo("Mon 09:00-11:00\nMon 14:00-15:00 from 15 Mar 2027");
        Element wrong = read("Mon 9-11", "edit", "only", "day", "2027-03-15", "wanted", "9-11; Tue 4-5 <b>");
        assertThat(wrong.attr("data-text")).isEqualTo("Mon 9-11");
        assertThat(wrong.select(".field-problem")).isNotEmpty();
        assertThat(read("Mon 9-11", "edit", "nonsense", "day", "1901-99-99").attr("data-text"))
                .isEqualTo("Mon 9-11");
        String many = IntStream.range(0, 1000)
                .mapToObj(i -> java.time.LocalDate.of(2028, 1, 1).plusDays(2L * i) + " closed")
                .collect(Collectors.joining("\n"));
        assertThat(read(many, "edit", "only", "day", "2027-03-15", "wanted", "9-10")
                        .select(".field-problem")
                        .text())
                .contains("as many days that differ as can be kept");
    }

    @Test
    void own_time_is_chosen_where_there_are_no_dates() {
        long id = offerings.draft("Rig check", Saltmarrow.HALIFAX, Saltmarrow.ORGANISER);
        Section.Access ownStyle = Section.Access.OPEN.by(SignUpStyle.OWN_TIME);
        long dated = saltmarrow.publish(Saltmarrow.Wanted.seats(3)).offering();
        assertThat(offerings.save(dated, java.util.List.of(ownStyle), Saltmarrow.ORGANISER))
                .isEqualTo(Saved.HAS_DATES);
        assertThat(offerings.save(id, java.util.List.of(ownStyle), Saltmarrow.ORGANISER))
                .isEqualTo(Saved.KEPT);
        var sheet = organiser.get("/desk/offerings/" + id).document();
        assertThat(sheet.select("#hours").text()).contains("No hours yet");
        assertThat(sheet.select("#dates")).isEmpty();
        organiser.post(
                "/desk/offerings/" + id, "/desk/offerings/" + id + "/hours/copy", Map.of("from", "" + clinic.id()));
        assertThat(ownTime.of(id).hours()).isEqualTo(ownTime.of(clinic.id()).hours());
    }
}
