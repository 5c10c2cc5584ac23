package jollyroster.owntime;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.dates.Interval;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.hosting.BusyCommands;
import jollyroster.hosting.CalendarSettings;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.Section;
import jollyroster.seating.Application;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The team asks why a time cannot be picked. */
@AppTest
class DayOverHttpTest extends AtTheClinic {

    @Autowired
    BusyCommands busy;

    private Offering clinic;

    private Browserless.Page day(String query) {
        return Browserless.organiser(port).get("/desk/offerings/" + clinic.id() + "/times" + query);
    }

    private void aClinicWithSomethingInTheWay() {
        long host = host();
        clinic = clinic(OwnTime.in(hours("Wed 10-13")), 1, 1, host);
        offerings.save(
                clinic.id(),
                List.of(
                        Section.Place.at(
                                        Format.IN_PERSON,
                                        clinic.venue().orElseThrow().id(),
                                        List.of(host))
                                .buffered(0, 15),
                        Section.Access.OPEN.by(SignUpStyle.OWN_TIME).between(30, 12)),
                Saltmarrow.ORGANISER);
        clinic = programme.offering(clinic.id()).orElseThrow();
        Instant ten = at(WEDNESDAY, "10:00");
        picks.pick(
                new PickCommands.Pick(clinic, ten, Optional.empty(), ""),
                Application.plain(0, "Wren Skerry", "wren" + clinic.id() + "@crew.example", 1, Saltmarrow.HALIFAX),
                Optional.empty(),
                Saltmarrow.VISITOR);
        busy.add(
                host,
                "Away days",
                "",
                CalendarSettings.USUAL,
                List.of(new Interval(at(WEDNESDAY, "12:00"), at(WEDNESDAY, "13:00"))),
                "",
                Saltmarrow.ORGANISER);
    }

    @Test
    void each_start_says_what_is_in_the_way_and_where_to_change_it() {
        aClinicWithSomethingInTheWay();
        var page = day("?day=2027-03-17").document();
        assertThat(page.select(".sheet-head p").text()).contains("Wed 17 Mar 2027", "Halifax", "10:00-13:00");
        assertThat(page.select("tbody tr").eachText())
                .containsExactly(
                        "10:00 1 In “" + clinic.title() + "”, 10:00–10:20. See the session",
                        "10:20 1 Kept free after “" + clinic.title() + "”, which ends 10:20. See the session",
                        "10:40–11:20 3 Each may be picked.",
                        "11:40 1 Kept free before “Away days” at 12:00. See the calendars",
                        "12:00–12:40 3 Busy until 13:00, says “Away days”. See the calendars");
        assertThat(page.select("svg.day-strip").attr("aria-label")).isEqualTo("3 of 9 starts may be picked");
    }

    @Test
    void any_time_can_be_asked_about() {
        aClinicWithSomethingInTheWay();
        assertThat(day("?day=2027-03-17&at=10:50")
                        .document()
                        .select(".day-answer")
                        .text())
                .isEqualTo("10:50: No start of the grid; the one before is 10:40. Change the hours");
        assertThat(day("?day=2027-03-17&at=11:00")
                        .document()
                        .select(".day-answer")
                        .text())
                .isEqualTo("11:00: It may be picked.");
        assertThat(day("?day=2027-03-17&at=9:00")
                        .document()
                        .select(".day-answer")
                        .text())
                .contains("Closed by the hours of that weekday.");
        assertThat(day("?day=2027-04-14&at=10:00")
                        .document()
                        .select(".day-answer")
                        .text())
                .contains("Too far ahead: today up to Fri 9 Apr.", "Change who may come");
        assertThat(day("?day=2027-03-10&at=10:00")
                        .document()
                        .select(".day-answer")
                        .text())
                .contains("It could be picked until Tue 9 Mar 22:00.");
        assertThat(day("?at=soon").document().select(".field-problem").text())
                .contains("A time is written like 14:00.");
        assertThat(day("?day=9999-99-99").status()).isEqualTo(200);
    }

    @Test
    void offerings_with_dates_lead_to_their_sheet() {
        String dated = "/desk/offerings/"
                + saltmarrow.publish(Saltmarrow.Wanted.seats(1)).offering();
        assertThat(Browserless.organiser(port).get(dated + "/times").location()).endsWith(dated);
        assertThat(Browserless.organiser(port)
                        .get("/desk/offerings/999999/times")
                        .status())
                .isEqualTo(404);
    }
}
