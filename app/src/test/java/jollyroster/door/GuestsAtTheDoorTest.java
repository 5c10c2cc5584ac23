package jollyroster.door;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.access.AccessDeniedException;

/** Strangers with a guest link, and the desk that answers them. */
@AppTest
class GuestsAtTheDoorTest {

    private static final Instant OPEN = Instant.parse("2027-03-16T21:50:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ArrivalCommands arrivals;

    @Autowired
    ArrivalQueries queries;

    @Autowired
    GuestVisitCommands visits;

    @Autowired
    PersonalLinks links;

    @Autowired
    VenueCommands venues;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    JdbcTemplate store;

    @Autowired
    TestClock clock;

    private Published at;
    private Browserless organiser;
    private String desk;
    private DoorScene scene;

    @BeforeEach
    void doorOpens() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5).inAMeeting());
        roster.register(Saltmarrow.person(at.session(), "Tomás Kestleborn", 1), Saltmarrow.VISITOR);
        scene = new DoorScene(port, at.session()).withLink();
        organiser = scene.organiser;
        desk = scene.desk;
        clock.set(OPEN);
    }

    private void roomFor(int people) {
        Venue room = programme.session(at.session()).orElseThrow().venue().orElseThrow();
        VenueCommands.Form sized =
                new VenueCommands.Form(room.name(), room.kind().name(), "", "", "", "", String.valueOf(people));
        venues.change(room.id(), room.version(), sized, ORGANISER);
    }

    private Arrival arrival(String name) {
        return queries.of(at.session()).stream()
                .filter(a -> a.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private Browserless.Page decide(String name, String decision, String word) {
        return scene.decide(arrival(name).id(), decision, word);
    }

    @Test
    void a_guest_says_who_they_are_waits_and_goes_in() {
        Browserless guest = scene.stranger();
        assertThat(scene.state(guest)).isEqualTo("says-who");
        scene.knock(guest, "Priscilla Oduya-Lund", "says", "My colleague sent me the link.");
        assertThat(scene.state(guest)).isEqualTo("waiting");
        assertThat(guest.get(scene.link).document().select("[data-place]").text())
                .isEqualTo("You are next.");
        assertThat(organiser.get(desk).document().select(".knocks li").text())
                .contains("Priscilla Oduya-Lund", "My colleague sent me the link.", "no registration with this name");
        assertThat(organiser
                        .get("/desk")
                        .document()
                        .select(".needs a[href=" + desk + "]")
                        .text())
                .isEqualTo("Open the door");
        decide("Priscilla Oduya-Lund", "ADMIT", "");
        assertThat(guest.get(scene.link).location()).contains("/standin/meeting/");
        assertThat(scene.state(scene.stranger()))
                .as("another browser is another guest")
                .isEqualTo("says-who");
        assertThat(organiser.get(desk).document().select(".heads .is-inside dd").text())
                .isEqualTo("1");
    }

    @Test
    void whoever_presses_twice_knocks_once() {
        Browserless guest = scene.stranger();
        guest.pressTwice(scene.link, scene.link + "/knock", Map.of("name", "Wren Pennycot"));
        assertThat(queries.of(at.session())).hasSize(1);
        assertThat(scene.state(guest)).isEqualTo("waiting");
        scene.knock(scene.stranger(), "Wren Pennycot", "form", "x".repeat(5000));
        assertThat(queries.of(at.session())).as("another of that name").hasSize(2);
    }

    @Test
    void the_host_asks_to_wait_turns_away_and_bars_with_a_word() {
        Browserless guest = scene.stranger();
        scene.knock(guest, "Wren Pennycot");
        decide("Wren Pennycot", "ASK_TO_WAIT", "We begin in a minute.");
        assertThat(scene.state(guest)).isEqualTo("asked-to-wait");
        assertThat(guest.get(scene.link).document().select(".word").text()).isEqualTo("We begin in a minute.");
        decide("Wren Pennycot", "TURN_AWAY", "This is for crew only.");
        assertThat(scene.state(guest)).isEqualTo("turned-away");
        guest.post(scene.link, scene.link + "/again", Map.of());
        assertThat(scene.state(guest)).isEqualTo("waiting");
        decide("Wren Pennycot", "BAR", "");
        assertThat(scene.state(guest)).isEqualTo("turned-away");
        guest.postAsIs(
                scene.link + "/again", Map.of("_csrf", guest.get(scene.link).csrf()));
        assertThat(arrival("Wren Pennycot").state()).isEqualTo(Knock.BARRED);
        assertThat(store.queryForList(
                        "select facts from logbook where session_id = ? and entry = 'AT_THE_DOOR'",
                        String.class,
                        at.session()))
                .hasSize(3)
                .anyMatch(facts -> facts.contains("This is for crew only."));
    }

    @Test
    void names_are_whole_and_odd_ones_do_no_harm() {
        Browserless guest = scene.stranger();
        for (String bad :
                List.of("", "Wren", "\u0301\u0301 \u0301", "W".repeat(10_000) + " P", "Buy at http://x.example")) {
            Browserless.Page refused = scene.knock(guest, bad);
            assertThat(refused.status()).as(bad.length() + " characters").isEqualTo(422);
            assertThat(refused.document().select("[role=alert]").text()).contains("first and last name");
        }
        scene.knock(guest, "\u202Eevil <b>Name</b>");
        assertThat(organiser.get(desk).document().select(".knocks .who bdi b")).isEmpty();
        assertThat(queries.of(at.session())).hasSize(1);
    }

    @Test
    void an_e_mail_is_asked_for_where_the_link_says_so_and_a_renewed_link_is_dead() {
        String before = scene.link;
        scene.withLink("email", "true");
        Browserless guest = scene.stranger();
        assertThat(guest.get(before).status()).isEqualTo(404);
        assertThat(scene.knock(guest, "Priscilla Oduya-Lund").status()).isEqualTo(422);
        assertThat(scene.knock(guest, "Priscilla Oduya-Lund", "email", "p@crew.example")
                        .status())
                .isEqualTo(302);
        assertThat(guest.get("/g/" + "1.1.AAAAAAAAAAAAAAAAAAAAAA").status()).isEqualTo(404);
    }

    @Test
    void whoever_is_probably_registered_is_joined_with_one_press() {
        scene.knocking("Tomas Kestelborn");
        Browserless.Page page = organiser.get(desk);
        assertThat(page.document().select(".knocks .probably").text()).startsWith("probably Tomás Kestleborn");
        String registration =
                page.document().select(".knocks [name=registration]").attr("value");
        long id = arrival("Tomas Kestelborn").id();
        organiser.post(desk, desk + "/arrivals/" + id + "/join", Map.of("registration", "999999"));
        assertThat(arrival("Tomas Kestelborn").registration()).isZero();
        organiser.post(desk, desk + "/arrivals/" + id + "/join", Map.of("registration", registration));
        assertThat(arrival("Tomas Kestelborn").registration()).isEqualTo(Long.parseLong(registration));
        organiser.post(desk, desk + "/admit-all", Map.of("registered", "true"));
        assertThat(arrival("Tomas Kestelborn").state()).isEqualTo(Knock.INSIDE);
        assertThat(organiser.get(desk).document().select(".heads").text()).contains("0 missing of 1");
    }

    @Test
    void no_more_come_in_than_the_room_takes() {
        roomFor(2);
        for (String name : List.of("Ann One", "Ben Two", "Cid Three")) {
            scene.knocking(name);
        }
        organiser.post(desk, desk + "/admit-all", Map.of());
        assertThat(queries.of(at.session()))
                .extracting(Arrival::state)
                .containsExactly(Knock.INSIDE, Knock.INSIDE, Knock.WAITING);
        assertThat(organiser.get(desk).document().select(".warned").text()).contains("The room is full");
        decide("Cid Three", "ADMIT", "");
        assertThat(arrival("Cid Three").state()).isEqualTo(Knock.WAITING);
        decide("Ann One", "ADMIT", "");
        assertThat(organiser.get(desk).document().select(".said").text()).contains("decided already");
    }

    @Test
    void a_guest_who_leaves_makes_room_and_comes_back_only_where_there_is_some() {
        roomFor(1);
        Browserless first = scene.stranger();
        Browserless second = scene.stranger();
        scene.knock(first, "Ann One");
        scene.knock(second, "Ben Two");
        decide("Ann One", "ADMIT", "");
        String pass = links.issue(Purpose.ARRIVAL, arrival("Ann One").link());
        visits.joined(pass, "stay-1", OPEN, ORGANISER);
        visits.left(pass, "stay-1", OPEN.plusSeconds(60), ORGANISER);
        visits.joined(pass, "stay-1", OPEN, ORGANISER);
        assertThat(arrival("Ann One").isInside())
                .as("a report that comes twice counts once")
                .isFalse();
        decide("Ben Two", "ADMIT", "");
        assertThat(arrival("Ben Two").state()).isEqualTo(Knock.INSIDE);
        assertThat(scene.state(first)).isEqualTo("full");
        String other = links.issue(Purpose.ARRIVAL, arrival("Ben Two").link());
        visits.left(other, "stay-2", OPEN.plusSeconds(60), ORGANISER);
        visits.joined(other, "stay-2", OPEN, ORGANISER);
        assertThat(first.get(scene.link).location()).contains("/standin/meeting/");
    }

    @Test
    void before_the_door_opens_guests_count_down_and_after_it_is_over() {
        Browserless guest = scene.stranger();
        clock.set(OPEN.minus(Duration.ofHours(2)));
        assertThat(scene.state(guest)).isEqualTo("countdown");
        scene.knock(guest, "Too Early");
        assertThat(queries.of(at.session())).isEmpty();
        clock.set(OPEN.plus(Duration.ofHours(12)));
        assertThat(scene.state(guest)).isEqualTo("over");
    }

    @Test
    void the_link_of_an_offering_leads_to_the_session_whose_door_is_open() {
        String all = scene.renewed("offering");
        assertThat(scene.stranger().get(all).document().select("main").attr("data-state"))
                .isEqualTo("says-who");
        clock.set(TestClock.START);
        assertThat(scene.stranger().get(all).document().select("main").attr("data-state"))
                .isEqualTo("countdown");
    }

    @Test
    void a_decision_needs_somebody_of_the_team_and_a_knock_of_this_session() {
        scene.knocking("Wren Pennycot");
        long id = arrival("Wren Pennycot").id();
        assertThatThrownBy(() ->
                        arrivals.decide(at.session(), id, Knock.Decision.ADMIT, "", Actor.visitor("Wren Pennycot")))
                .isInstanceOf(AccessDeniedException.class);
        Published other = saltmarrow.publish(seats(5));
        assertThat(arrivals.decide(other.session(), id, Knock.Decision.ADMIT, "", ORGANISER))
                .isEqualTo(ArrivalCommands.Outcome.NOTHING);
        assertThat(arrival("Wren Pennycot").state()).isEqualTo(Knock.WAITING);
    }

    @Test
    void what_guests_agree_to_is_kept_with_them_and_odd_lists_change_nothing() {
        scene.withLink("agreement", "No recording.");
        Browserless guest = scene.stranger();
        assertThat(scene.knock(guest, "Ada Merrow").status()).isEqualTo(422);
        scene.knock(guest, "Ada Merrow", "agreed", "true");
        assertThat(scene.state(guest)).isEqualTo("waiting");
        assertThat(store.queryForObject(
                        "select agreed_to from arrival where session_id = ?", String.class, at.session()))
                .isEqualTo("No recording.");
        String before = scene.link;
        organiser.post(desk, desk + "/guest-link", Map.of("scope", "session", "who", "nonsense"));
        assertThat(organiser.get(desk).document().select(".warned").text()).contains("nonsense");
        assertThat(scene.stranger().get(before).status()).isEqualTo(200);
    }
}
