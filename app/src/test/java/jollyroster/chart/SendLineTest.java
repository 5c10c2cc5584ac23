package jollyroster.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SendLineTest {

    private static final Instant NOW = Instant.parse("2027-03-10T13:00:00Z");
    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @Test
    void letters_stand_in_the_two_hours_in_which_they_leave() {
        SendLine line = SendLine.of(
                Map.of(
                        NOW.minusSeconds(60), 1,
                        NOW.plusSeconds(60), 2,
                        NOW.plusSeconds(2 * 3600), 9,
                        NOW.plus(SendLine.AHEAD), 50),
                NOW,
                HALIFAX);
        assertThat(line.slots()).isEqualTo(Map.of(0, 3, 1, 9));
        assertThat(line.markup())
                .contains("12 e-mails leave in the next seven days", ">9<", ">Thu 11<", ">Wed 17<")
                .doesNotContain(">3<");
    }

    @Test
    void the_day_on_which_clocks_change_is_as_long_as_it_is() {
        String markup = SendLine.of(Map.of(NOW, 5), NOW, HALIFAX).markup();
        double saturday = x(markup, "Sat 13");
        double sunday = x(markup, "Sun 14");
        double monday = x(markup, "Mon 15");
        assertThat((monday - sunday) / (sunday - saturday)).isBetween(22.8 / 24, 23.2 / 24);
    }

    private static double x(String markup, String day) {
        String before = markup.substring(0, markup.indexOf(">" + day + "<"));
        String x = before.substring(before.lastIndexOf(" x=\"") + 4);
        return Double.parseDouble(x.substring(0, x.indexOf('"')));
    }

    @Test
    void where_nothing_leaves_nothing_is_drawn() {
        assertThat(SendLine.of(Map.of(), NOW, HALIFAX).markup()).isEmpty();
    }
}
