package jollyroster.sheet;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.dates.Offset;
import jollyroster.programme.Offering;
import jollyroster.programme.Session;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The section that says who may come, how, and until when. */
@AppTest
class AccessOverHttpTest extends OnASheet {

    @Autowired
    RegistrationCommands roster;

    @BeforeEach
    void publish() {
        publish(seats(6));
    }

    @Test
    void registration_opens_by_weeks_and_closes_by_days_of_the_calendar() {
        Map<String, String> fields = filledIn("access");
        fields.putAll(Map.of("opens", "6", "opensUnit", "WEEKS", "cutOff", "2", "cutOffUnit", "DAYS"));
        assertThat(keep("access", fields).location()).endsWith("#access");
        Offering kept = programme.offering(at.offering()).orElseThrow();
        assertThat(kept.rules().opensDays()).isEqualTo(42);
        assertThat(kept.cutOff()).isEqualTo(Offset.days(2));
        assertThat(organiser.get(sheet).document().select("#access").text())
                .contains("Registration opens 6 weeks before the start and closes 2 days before the start.");
        assertThat(filledIn("access"))
                .containsEntry("opens", "6")
                .containsEntry("opensUnit", "WEEKS")
                .containsEntry("cutOffUnit", "DAYS");
        Session session = programme.session(at.session()).orElseThrow();
        assertThat(session.cutOff()).isEqualTo(session.zonedStart().minusDays(2).toInstant());
    }

    @Test
    void what_is_too_long_before_or_in_no_unit_is_refused_by_name() {
        Map<String, String> fields = filledIn("access");
        fields.putAll(Map.of("opens", "105", "opensUnit", "WEEKS", "cutOff", "84", "cutOffUnit", "DAYS"));
        Browserless.Page again = keep("access", fields);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.document().select("#access .field-problem").eachText())
                .containsExactly(
                        "Registration opens: a whole number from 0 to 104.",
                        "Registration closes: a whole number from 0 to 83.");
        fields.putAll(Map.of("opens", "1", "opensUnit", "HOURS", "cutOff", "1", "cutOffUnit", "CENTURIES"));
        assertThat(keep("access", fields).status()).isEqualTo(422);
        assertThat(programme.offering(at.offering()).orElseThrow().cutOff().amount())
                .isZero();
    }

    @Test
    void how_people_register_is_held_once_somebody_has() {
        Map<String, String> fields = filledIn("access");
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        fields.put("style", "WHOLE_SERIES");
        Browserless.Page held = keep("access", fields);
        assertThat(held.status()).isEqualTo(409);
        assertThat(held.document().select("#access .field-problem").text()).contains("people are registered already");
        assertThat(organiser.post(sheet, sheet + "/discard", Map.of()).location())
                .endsWith(sheet);
        assertThat(programme.offering(at.offering())).as("people are on it").isPresent();
    }
}
