package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A plan of the house is kept once; who follows it may depart from it, and follows every change. */
@AppTest
class HousePlanTest {

    private static int made;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    PlanQueries plans;

    @LocalServerPort
    int port;

    private Browserless organiser;
    private String house;
    private String name;

    @BeforeEach
    void houseplan() {
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
        name = "Evening courses " + ++made;
        house = organiser
                .post("/desk/plans", "/desk/plans", Map.of("name", name))
                .location()
                .replaceAll("^.*(/desk/plans/)", "$1");
    }

    private Published following() {
        Published at = saltmarrow.publish(seats(4));
        follow(at, Long.parseLong(house.replaceAll("\\D", "")));
        return at;
    }

    private static String plan(Published at) {
        return "/desk/offerings/" + at.offering() + "/plan";
    }

    private void follow(Published at, long which) {
        organiser.post(plan(at), plan(at) + "/follow", Map.of("house", "" + which));
    }

    private void change(String page, String how, String anchor, int amount, String unit, String on) {
        organiser.post(page, page + how, Map.of("anchor", anchor, "amount", "" + amount, "unit", unit, "on", on));
    }

    private String said(String page) {
        return organiser.get(page).document().select(".said, .warned").text();
    }

    private List<String> planned(Published at) {
        return outbox.ofSession(at.session()).stream()
                .filter(c -> !c.anchor().isAnswer() && c.state() == MessageState.PLANNED)
                .map(c -> c.messages() + " x " + c.anchor() + " " + c.offset().amount() + " "
                        + c.offset().unit())
                .sorted()
                .collect(Collectors.toList());
    }

    @Test
    void a_change_of_the_house_plan_reaches_all_who_follow_in_the_same_write() {
        Published one = following();
        Published other = following();
        roster.register(Saltmarrow.person(one.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        roster.register(Saltmarrow.person(other.session(), "Teo Vance", 1), Saltmarrow.VISITOR);
        assertThat(planned(one)).containsExactly("1 x BEFORE_START 1 DAYS", "1 x BEFORE_START 15 MINUTES");
        var page = organiser.get(house).document();
        assertThat(page.select(".margin li").eachText()).hasSize(2);
        assertThat(page.select(".margin").text()).contains("unsent messages are planned anew");
        organiser.post(house, house, Map.of("when", "2 hours before"));
        assertThat(said(house)).isEqualTo("Added: 2 hours before. The messages of 2 registrations to come follow.");
        assertThat(planned(one)).contains("1 x BEFORE_START 2 HOURS").isEqualTo(planned(other));
        change(house, "/remove", "BEFORE_START", 15, "MINUTES", "");
        assertThat(planned(other)).containsExactly("1 x BEFORE_START 1 DAYS", "1 x BEFORE_START 2 HOURS");
    }

    @Test
    void departures_are_said_in_words_and_dropped_as_one() {
        Published one = following();
        Published other = following();
        roster.register(Saltmarrow.person(one.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        change(plan(one), "/turn", "BEFORE_START", 1, "DAYS", "false");
        organiser.post(plan(one), plan(one), Map.of("when", "when the door opens"));
        assertThat(organiser.get(plan(one)).document().select(".follows p").text())
                .isEqualTo("Follows " + name
                        + ", but without the reminder 1 day before, and with the note when the door opens.");
        assertThat(planned(one)).containsExactly("1 x DOOR_OPENS 0 MINUTES");
        assertThat(plans.plan(other.offering()).departs())
                .as("for that one alone")
                .isFalse();
        organiser.post(house, house, Map.of("when", "3 days before"));
        assertThat(planned(one)).containsExactly("1 x BEFORE_START 3 DAYS", "1 x DOOR_OPENS 0 MINUTES");
        organiser.post(plan(one), plan(one) + "/same", Map.of());
        assertThat(plans.plan(one.offering()).departs()).isFalse();
        assertThat(planned(one))
                .containsExactly("1 x BEFORE_START 1 DAYS", "1 x BEFORE_START 15 MINUTES", "1 x BEFORE_START 3 DAYS");
    }

    @Test
    void who_follows_no_longer_keeps_what_counted() {
        Published one = following();
        organiser.post(house, house, Map.of("when", "4 hours before"));
        change(plan(one), "/turn", "BEFORE_START", 1, "DAYS", "false");
        follow(one, 0);
        organiser.post(house, house, Map.of("when", "5 hours before"));
        assertThat(plans.plan(one.offering()).lines().stream()
                        .filter(line -> line.anchor() == Anchor.BEFORE_START)
                        .map(line -> line.offset().amount()))
                .containsExactly(4, 15);
        organiser.post(house, house + "/drop", Map.of());
        assertThat(organiser.get(house).status()).as("nobody followed it").isEqualTo(404);
    }

    @Test
    void a_line_that_is_off_stays_in_sight_and_comes_back() {
        Published at = saltmarrow.publish(seats(4));
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        change(plan(at), "/turn", "BEFORE_START", 1, "DAYS", "false");
        change(plan(at), "/turn", "BEFORE_START", 15, "MINUTES", "false");
        assertThat(said(plan(at))).startsWith("Switched off: 15 minutes before.");
        var page = organiser.get(plan(at)).document();
        assertThat(page.select(".plan tr.gone-quiet td.name").eachText())
                .containsExactly("1 day before off", "15 minutes before off");
        assertThat(page.select(".margin .note").text()).startsWith("No reminder carries the link to everybody.");
        assertThat(planned(at)).isEmpty();
        change(plan(at), "/turn", "BEFORE_START", 1, "DAYS", "true");
        assertThat(planned(at)).containsExactly("1 x BEFORE_START 1 DAYS");
    }

    @Test
    void names_are_one_of_a_kind_and_a_plan_that_is_followed_stays() {
        organiser.post("/desk/plans", "/desk/plans", Map.of("name", name.toUpperCase(java.util.Locale.ROOT)));
        assertThat(said("/desk/plans")).contains("already");
        organiser.post("/desk/plans", "/desk/plans", Map.of("name", " "));
        assertThat(said("/desk/plans")).isEqualTo("Not made: give it a name.");
        following();
        organiser.post(house, house + "/drop", Map.of());
        assertThat(said(house)).isEqualTo("Not removed: offerings follow it.");
        organiser.post(house, house + "/name", Map.of("name", "<b>\"Nº 1\"</b> " + made));
        assertThat(organiser.get(house).document().select("h1").text()).isEqualTo("<b>\"Nº 1\"</b> " + made);
        assertThat(organiser.get("/desk/plans/999999").status()).isEqualTo(404);
    }
}
