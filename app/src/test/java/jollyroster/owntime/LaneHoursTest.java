package jollyroster.owntime;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Open hours behind the lanes of the host schedule, changed there for one day. */
@AppTest
class LaneHoursTest extends AtTheClinic {

    private static final LocalDate NEXT = LocalDate.of(2027, 3, 24);
    private static final String LANES = "/desk/lanes?at=2027-03-22";

    @Autowired
    OwnTimeQueries ownTime;

    private Offering clinic;
    private Browserless organiser;

    @BeforeEach
    void open() {
        clinic = clinic(OwnTime.in(hours("Wed 10-11, 19-20")), 1, 1, host());
        organiser = Browserless.organiser(port);
    }

    private Map<String, String> wish(int from, int until, int toFrom, int toUntil) {
        return new HashMap<>(Map.of(
                "offering", String.valueOf(clinic.id()),
                "day", NEXT.toString(),
                "from", String.valueOf(from),
                "until", String.valueOf(until),
                "toFrom", String.valueOf(toFrom),
                "toUntil", String.valueOf(toUntil)));
    }

    private String hoursOf(LocalDate day) {
        return ownTime.of(clinic.id()).hours().on(day).toString();
    }

    @Test
    void open_hours_stand_behind_the_lane_of_each_host() {
        Element first = organiser.get(LANES).document().selectFirst("a.open-hours[data-offering=" + clinic.id() + "]");
        assertThat(first.attr("data-day")).isEqualTo(NEXT.toString());
        assertThat(first.attr("data-from") + "-" + first.attr("data-until")).isEqualTo("600-660");
        assertThat(first.attr("href")).isEqualTo("/desk/offerings/" + clinic.id() + "#hours");
        assertThat(first.attr("aria-label")).contains("Wed 24 Mar, 10:00-11:00");
    }

    @Test
    void what_would_come_of_it_is_said_before_and_holds_for_that_day_only() {
        Map<String, String> later = wish(600, 660, 615, 720);
        String said = organiser
                .post(LANES, "/desk/lanes/hours/check", later)
                .document()
                .text();
        assertThat(said)
                .contains("Wed 24 Mar: open 10:15-12:00, 19:00-20:00, instead of 10:00-11:00, on this day only");
        assertThat(hoursOf(NEXT)).as("nothing is changed yet").startsWith("10:00-11:00");
        organiser.post(LANES, "/desk/lanes/hours", later);
        assertThat(hoursOf(NEXT)).isEqualTo("10:15-12:00, 19:00-20:00");
        assertThat(hoursOf(NEXT.plusWeeks(1))).isEqualTo("10:00-11:00, 19:00-20:00");
        assertThat(organiser
                        .post(LANES, "/desk/lanes/hours/check", later)
                        .document()
                        .text())
                .as("it is not there any more")
                .contains("changed meanwhile");
    }

    @Test
    void a_stretch_is_closed_and_nonsense_is_refused() {
        organiser.post(LANES, "/desk/lanes/hours", wish(1140, 1200, 1140, 1140));
        assertThat(hoursOf(NEXT)).isEqualTo("10:00-11:00");
        assertThat(organiser
                        .post(LANES, "/desk/lanes/hours", wish(700, 600, 0, 60))
                        .status())
                .isEqualTo(400);
        Map<String, String> absurd = wish(600, 660, -5, 99999);
        absurd.put("day", "9999-12-31");
        assertThat(organiser.post(LANES, "/desk/lanes/hours", absurd).status()).isEqualTo(400);
        absurd.put("offering", "999999");
        absurd.put("day", NEXT.toString());
        assertThat(organiser.post(LANES, "/desk/lanes/hours", absurd).status()).isEqualTo(404);
        assertThat(hoursOf(NEXT)).isEqualTo("10:00-11:00");
    }
}
