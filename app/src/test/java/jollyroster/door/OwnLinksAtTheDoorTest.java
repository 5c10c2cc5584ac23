package jollyroster.door;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.DoorRules;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** Registered people at the door with their own link: the first browser goes in, a second one knocks. */
@AppTest
class OwnLinksAtTheDoorTest {

    private static final Instant OPEN = Instant.parse("2027-03-16T21:50:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    AttendanceCommands attendance;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    VenueCommands venues;

    @Autowired
    ArrivalQueries arrivals;

    @Autowired
    PersonalLinks links;

    @Autowired
    JdbcTemplate store;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TestClock clock;

    private Published at;
    private DoorScene scene;
    private Registration tomas;

    @AfterEach
    void lettersLeave() {
        worker.sendDue();
    }

    @BeforeEach
    void doorOpens() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5).inAMeeting());
        roster.register(Saltmarrow.person(at.session(), "Tomás Kestleborn", 1), VISITOR);
        tomas = registrations.roster(at.session()).get(0);
        scene = new DoorScene(port, at.session());
        clock.set(OPEN);
        scene.link = "/join/" + links.issue(Purpose.JOIN, new Link(tomas.id(), tomas.generation()));
    }

    private void isInside() {
        attendance.joined("stay-" + at.session(), tomas.id(), at.session(), OPEN, ORGANISER);
    }

    private void everybodyKnocks() {
        Section.Door door = new Section.Door(new DoorRules(15, 15, true, "Have your **chart** ready.", 0, false));
        offerings.save(at.offering(), List.of(door), ORGANISER);
    }

    private void knocks(Browserless browser) {
        browser.post(scene.link, scene.link + "/knock", Map.of());
    }

    private Arrival only() {
        List<Arrival> all = arrivals.of(at.session());
        assertThat(all).hasSize(1);
        return all.get(0);
    }

    @Test
    void whoever_presses_twice_with_their_own_link_knocks_once() {
        everybodyKnocks();
        Browserless browser = scene.stranger();
        browser.pressTwice(scene.link, scene.link + "/knock", Map.of());
        assertThat(only().state()).isEqualTo(Knock.WAITING);
        assertThat(scene.state(browser)).isEqualTo("waiting");
    }

    @Test
    void a_second_browser_waits_flagged_while_somebody_is_inside_with_the_link() {
        Browserless first = scene.stranger();
        Browserless second = scene.stranger();
        assertThat(first.get(scene.link).location()).contains("/standin/meeting/");
        assertThat(second.get(scene.link).location())
                .as("nobody has come in yet")
                .contains("/standin/meeting/");
        isInside();
        Browserless third = scene.stranger();
        assertThat(third.get(scene.link).document().select("main").attr("data-meets"))
                .isEqualTo("SECOND");
        assertThat(arrivals.of(at.session())).as("looking is not knocking").isEmpty();
        knocks(third);
        assertThat(scene.state(third)).isEqualTo("waiting");
        assertThat(scene.organiser
                        .get(scene.desk)
                        .document()
                        .select(".knocks .second")
                        .text())
                .contains("a second browser");
        assertThat(first.get(scene.link).location())
                .as("the one that is known comes back")
                .contains("/standin/meeting/");
        scene.decide(only().id(), "ADMIT", "");
        assertThat(third.get(scene.link).location()).contains("/standin/meeting/");
    }

    @Test
    void whoever_left_comes_in_again_with_another_device() {
        scene.stranger().get(scene.link);
        isInside();
        attendance.left("stay-" + at.session(), tomas.id(), at.session(), OPEN.plusSeconds(60), ORGANISER);
        assertThat(scene.stranger().get(scene.link).location()).contains("/standin/meeting/");
    }

    @Test
    void where_everybody_knocks_registered_people_wait_too_and_read_the_welcome() {
        everybodyKnocks();
        Browserless browser = scene.stranger();
        assertThat(scene.state(browser)).isEqualTo("says-who");
        assertThat(browser.get(scene.link).document().select(".welcome strong").text())
                .isEqualTo("chart");
        knocks(browser);
        knocks(browser);
        assertThat(only().registration()).isEqualTo(tomas.id());
        assertThat(scene.state(browser)).isEqualTo("waiting");
        scene.decide(only().id(), "TURN_AWAY", "Please come at noon.");
        assertThat(browser.get(scene.link).document().select(".word").text()).isEqualTo("Please come at noon.");
        knocks(browser);
        scene.organiser.post(scene.desk, scene.desk + "/admit-all", Map.of("registered", "true"));
        assertThat(browser.get(scene.link).location()).contains("/standin/meeting/");
    }

    @Test
    void one_link_waits_with_three_browsers_at_most() {
        everybodyKnocks();
        for (int i = 0; i < 5; i++) {
            knocks(scene.stranger());
        }
        assertThat(arrivals.of(at.session())).hasSize(3);
    }

    @Test
    void where_no_service_reports_the_door_keeps_note_of_who_went_in() {
        Venue room = programme.session(at.session()).orElseThrow().venue().orElseThrow();
        venues.change(
                room.id(),
                room.version(),
                new VenueCommands.Form(room.name(), "FIXED_LINK", "", "", "https://meet.saltmarrow.example/a", "", ""),
                ORGANISER);
        Browserless first = scene.stranger();
        assertThat(first.get(scene.link).location()).isEqualTo("https://meet.saltmarrow.example/a");
        first.get(scene.link);
        assertThat(scene.organiser
                        .get(scene.desk)
                        .document()
                        .select(".heads .is-inside dd")
                        .text())
                .isEqualTo("1");
        assertThat(scene.organiser.get(scene.desk).document().select(".heads").text())
                .contains("0 missing of 1");
        assertThat(scene.stranger().get(scene.link).document().select("main").attr("data-meets"))
                .isEqualTo("SECOND");
        assertThat(first.get(scene.link).location()).startsWith("https://meet.");
    }

    @Test
    void what_the_host_says_to_all_is_read_at_once_and_can_be_taken_away() {
        everybodyKnocks();
        Browserless browser = scene.stranger();
        knocks(browser);
        scene.organiser.post(scene.desk, scene.desk + "/note", Map.of("note", "We begin <b>late</b>."));
        assertThat(browser.get(scene.link).document().select("[data-door-note]").text())
                .isEqualTo("We begin <b>late</b>.");
        assertThat(browser.get(scene.link + "/state").response().body()).contains("We begin <b>late</b>.");
        scene.organiser.post(scene.desk, scene.desk + "/note", Map.of("note", ""));
        assertThat(browser.get(scene.link).document().select("[data-door-note]").hasAttr("hidden"))
                .isTrue();
    }

    @Test
    void others_waits_are_said_where_somebody_has_waited() {
        everybodyKnocks();
        knocks(scene.stranger());
        clock.set(OPEN.plusSeconds(170));
        scene.decide(only().id(), "ADMIT", "");
        roster.register(Saltmarrow.person(at.session(), "Wren Pennycot", 1), VISITOR);
        scene.link = "/g/x";
        DoorScene guests = new DoorScene(port, at.session()).withLink();
        assertThat(guests.knocking("Ada Merrow")
                        .get(guests.link)
                        .document()
                        .select("[role=status]")
                        .text())
                .contains("Others waited about 3 min");
    }

    @Test
    void those_who_are_missing_are_written_to_once_in_ten_minutes_after_it_has_begun() {
        roster.register(Saltmarrow.person(at.session(), "Wren Pennycot", 1), VISITOR);
        isInside();
        scene.organiser.post(scene.desk, scene.desk + "/missing", Map.of());
        assertThat(begun()).as("not before the start").isZero();
        clock.set(OPEN.plusSeconds(900));
        scene.organiser.post(scene.desk, scene.desk + "/missing", Map.of());
        scene.organiser.post(scene.desk, scene.desk + "/missing", Map.of());
        assertThat(begun()).isEqualTo(1);
    }

    private int begun() {
        return store.queryForObject(
                "select count(*) from message where session_id = ? and anchor = 'NOT_IN' and created_at >= '2027-03-16'",
                Integer.class,
                at.session());
    }
}
