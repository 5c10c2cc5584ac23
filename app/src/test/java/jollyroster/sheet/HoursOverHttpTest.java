package jollyroster.sheet;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Section;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The section of open hours: typed, kept, read back as sentences, and refused with the line that is wrong. */
@AppTest
class HoursOverHttpTest extends OnASheet {

    @Autowired
    OwnTimeQueries ownTime;

    @BeforeEach
    void publish() {
        publish(seats(1).with(Section.Access.OPEN.by(SignUpStyle.OWN_TIME)));
    }

    private Browserless.Page keep(String hours, String... more) {
        Map<String, String> fields = new HashMap<>(Map.of(
                "on", "2027-03-10", "hours", hours, "choice", "WHOEVER_IS_FREE", "seen", seen("hours"), "grid", "15"));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return organiser.post(sheet, sheet + "/parts/hours", fields);
    }

    private String seen(String part) {
        return organiser
                .get(sheet + "?open=" + part)
                .document()
                .select("#" + part + " [name=seen]")
                .attr("value");
    }

    @Test
    void hours_are_typed_kept_and_read_as_a_sentence() {
        assertThat(organiser.get(sheet).document().select("#hours").text())
                .contains("No hours yet", "No open hours.", "Type the hours");
        assertThat(organiser.get(sheet).document().select("#place").text()).contains("Nobody leads it.");
        assertThat(keep("Mon–Fri 2-4:30; 11 Jan only 19-21", "daily", "3", "last", "2027-12-31")
                        .location())
                .endsWith("#hours");
        OwnTime kept = ownTime.of(at.offering());
        assertThat(kept.gridMinutes()).hasValue(15);
        assertThat(kept.daily()).hasValue(3);
        assertThat(organiser.get(sheet).document().select("#hours").text())
                .contains(
                        "Mon–Fri 14:00-16:30; 11 Jan 2028 only 19:00-21:00.",
                        "Not after Fri 31 Dec 2027.",
                        "a start every 15 min",
                        "At most 3 times a day for each host.",
                        "Whoever is free leads it.");
        assertThat(organiser
                        .get(sheet + "?open=hours")
                        .document()
                        .select("[name=hours]")
                        .val())
                .isEqualTo("Mon–Fri 14:00-16:30\n11 Jan 2028 only 19:00-21:00");
    }

    @Test
    void what_cannot_be_read_is_said_with_its_line_and_stays() {
        Browserless.Page again = keep("Mon 10-12\nTue 14-10", "grid", "1", "first", "soon");
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.document().select("#hours .field-problem").eachText())
                .containsExactly(
                        "Open hours, line 2: Ends before it starts. Did you mean 14:00–22:00?",
                        "First day: a date like 2027-03-29.",
                        "A start every so many minutes: a whole number from 5 to 1,440.");
        assertThat(again.document().select("[name=hours]").val()).isEqualTo("Mon 10-12\nTue 14-10");
        assertThat(ownTime.of(at.offering())).isEqualTo(OwnTime.NONE);
        assertThat(keep("Mon 10-12", "first", "2027-05-01", "last", "2027-04-01")
                        .status())
                .isEqualTo(422);
        assertThat(keep("Mon 10-12, 11-13").status()).isEqualTo(422);
        assertThat(keep("1 Jan 2030 to 30 Nov 2030 closed; ".repeat(9)).status())
                .isEqualTo(422);
    }

    @Test
    void offerings_with_dates_have_no_such_section() {
        Published dated = saltmarrow.publish(seats(1));
        assertThat(organiser
                        .get("/desk/offerings/" + dated.offering())
                        .document()
                        .select("#hours"))
                .isEmpty();
    }

    @Test
    void a_time_has_a_seat_from_the_start_and_keeps_one_while_it_is_published() {
        String fresh = organiser
                .post("/desk/offerings", "/desk/offerings", Map.of("title", "Chart advice"))
                .location()
                .replaceFirst("^http://[^/]+", "");
        organiser.post(
                fresh,
                fresh + "/parts/access",
                Map.of("style", "OWN_TIME", "visibility", "LISTED", "tell", "NEVER", "seen", "1"));
        assertThat(organiser.get(fresh).document().select("#seats .reads").text())
                .startsWith("1 seat a time");
        Map<String, String> none =
                Map.of("seats", "0", "largestParty", "1", "freed", "CALL_UP", "shown", "ALWAYS", "seen", seen("seats"));
        Browserless.Page refused = organiser.post(sheet, sheet + "/parts/seats", none);
        assertThat(refused.document().select("#seats .field-problem").text())
                .isEqualTo("Seats: at least one must be left for people to pick a time.");
    }
}
