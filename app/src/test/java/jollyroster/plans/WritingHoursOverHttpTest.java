package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** When people may be written to is kept for the house and for one offering; what is planned follows at once. */
@AppTest
class WritingHoursOverHttpTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    WritingHoursCommands commands;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private long wren;
    private String plan;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4).at("2027-03-22T19:00"));
        wren = ((Registering.Done)
                        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR))
                .link()
                .id();
        plan = "/desk/offerings/" + at.offering() + "/plan";
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void usual() {
        commands.setHouse(WritingHours.DEFAULT, List.of(), Saltmarrow.ORGANISER);
    }

    private ZonedDateTime dayBefore() {
        return outbox.list(List.of(MessageState.PLANNED), at.session(), Optional.of(Anchor.BEFORE_START), 50).stream()
                .filter(item -> item.registration() == wren && item.offset().amount() == 1)
                .findFirst()
                .orElseThrow()
                .due()
                .atZone(HALIFAX);
    }

    private Document set(String page, String address, String quiet, String days, String send) {
        Map<String, String> fields = new HashMap<>();
        fields.put("quietFrom", quiet.isEmpty() ? "" : quiet.split("-")[0]);
        fields.put("quietTo", quiet.isEmpty() ? "" : quiet.split("-")[1]);
        fields.put("day", days);
        fields.put("sendFrom", send.isEmpty() ? "" : send.split("-")[0]);
        fields.put("sendTo", send.isEmpty() ? "" : send.split("-")[1]);
        organiser.post(page, address, fields);
        return organiser.get(page).document();
    }

    @Test
    void send_hours_of_an_offering_move_what_is_planned_and_go_back_to_the_house() {
        assertThat(dayBefore()).isEqualTo("2027-03-21T19:00-03:00[America/Halifax]");
        Document set = set(plan, plan + "/hours", "21:00-08:00", "1,2,3,4,5", "08:00-17:00");
        assertThat(set.select(".said").text()).isEqualTo("Saved. The messages of 1 registration to come follow.");
        assertThat(set.select("#hours p").first().text())
                .isEqualTo("On the recipient’s own clock: not between 21:00 and 08:00, only Mon–Fri 08:00–17:00.");
        assertThat(dayBefore()).as("the Friday before").isEqualTo("2027-03-19T17:00-03:00[America/Halifax]");
        assertThat(set.select("[data-plan-line] .calm-word").text()).isEqualTo("Halifax");
        organiser.post(plan, plan + "/hours", Map.of("house", "true"));
        assertThat(dayBefore()).isEqualTo("2027-03-21T19:00-03:00[America/Halifax]");
        assertThat(organiser.get(plan).document().select("#hours p").first().text())
                .endsWith("as the house.");
    }

    @Test
    void hours_of_the_house_reach_all_that_have_none_of_their_own() {
        Published other = saltmarrow.publish(seats(4));
        String own = "/desk/offerings/" + other.offering() + "/plan";
        set(own, own + "/hours", "", "", "");
        set("/desk/plans", "/desk/plans/hours", "18:00-09:00", "", "");
        assertThat(dayBefore()).as("where the quiet begins").isEqualTo("2027-03-21T18:00-03:00[America/Halifax]");
        assertThat(organiser.get(own).document().select("#hours p").first().text())
                .isEqualTo("On the recipient’s own clock: at night too.");
        assertThat(organiser
                        .get("/desk/offerings/" + at.offering())
                        .document()
                        .select("#messages")
                        .text())
                .contains("not between 18:00 and 09:00");
    }

    @Test
    void hours_that_make_no_sense_are_refused_and_stay_in_the_form() {
        Document half = set(plan, plan + "/hours", "21:00-08:00", "1", "");
        assertThat(half.select("#hours p").first().text()).contains("only Mon 00:00–23:59");
        assertThat(set(plan, plan + "/hours", "21:00-21:00", "", "")
                        .select(".warned")
                        .text())
                .startsWith("Not saved: the two ends are the same");
        assertThat(set(plan, plan + "/hours", "07:00-20:00", "", "09:00-17:00")
                        .select(".warned")
                        .text())
                .isEqualTo("Not saved: no time would be left to write at.");
        Document odd = set(plan, plan + "/hours", "soon-25:00", "9,-1", "");
        assertThat(odd.select(".warned").text()).isEqualTo("Not saved: a time is written like 21:00.");
        assertThat(odd.select("[name=quietTo]").attr("value")).isEqualTo("25:00");
        organiser.post(plan, plan + "/hours", Map.of("quietFrom", "21:00"));
        assertThat(organiser.warnedOn(plan)).containsExactly("Not saved: give both ends, or neither.");
    }
}
