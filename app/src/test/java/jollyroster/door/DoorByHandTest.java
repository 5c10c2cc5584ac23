package jollyroster.door;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.DoorRules;
import jollyroster.programme.HandHours;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** Whoever leads opens the door before its time, ends the session, keeps it open; and a second room takes those the first cannot. */
@AppTest
class DoorByHandTest {

    private static final Instant START = Instant.parse("2027-03-10T18:00:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registering;

    @Autowired
    AttendanceCommands attendance;

    @Autowired
    AttendanceQueries came;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    PlanCommands plans;

    @Autowired
    PersonalLinks links;

    @Autowired
    JdbcTemplate store;

    @Autowired
    TestClock clock;

    private Published at;
    private DoorScene scene;

    @BeforeEach
    void aWebinar() {
        saltmarrow.setUp();
        at = saltmarrow.publish(seats(20).onAir("2027-03-10T14:00"));
        scene = new DoorScene(port, at.session());
    }

    private long register(String name) {
        return ((Registering.Done) registering.register(Saltmarrow.person(at.session(), name, 1), VISITOR))
                .link()
                .id();
    }

    private String join(long registration) {
        return "/join/" + links.issue(Purpose.JOIN, new Link(registration, 1));
    }

    private Browserless.Page move(String what) {
        return scene.organiser.post(scene.desk, scene.desk + "/hours", Map.of("do", what));
    }

    private static String path(String location) {
        assertThat(location).contains("/standin/meeting/");
        return location.replaceAll("^https?://[^/]+", "");
    }

    private List<String> moves() {
        return scene.organiser
                .get(scene.desk)
                .document()
                .select(".door-moves button")
                .eachAttr("value");
    }

    private HandHours byHand() {
        return programme.session(at.session()).orElseThrow().own().door();
    }

    @Test
    void the_door_opens_by_hand_before_its_time_and_ends_at_once() {
        Browserless guest = scene.stranger();
        String ann = join(register("Ann One"));
        clock.set(START.minus(Duration.ofMinutes(40)));
        assertThat(guest.get(ann).state()).isEqualTo("countdown");
        assertThat(moves()).containsExactly("OPEN");
        move("END");
        assertThat(guest.get(ann).state()).as("it has not begun").isEqualTo("countdown");
        move("OPEN");
        assertThat(guest.get(ann).location()).contains("/standin/meeting/");
        clock.set(START.plus(Duration.ofMinutes(30)));
        assertThat(moves()).containsExactly("LONGER", "END");
        move("END");
        assertThat(scene.stranger().get(ann).state()).isEqualTo("over");
        move("END");
        assertThat(moves()).containsExactly("REOPEN");
        move("REOPEN");
        assertThat(scene.stranger().get(ann).location()).contains("/standin/meeting/");
        assertThat(store.queryForList(
                        "select entry from logbook where session_id = ? and entry = 'DOOR_MOVED'",
                        String.class,
                        at.session()))
                .hasSize(3);
    }

    @Test
    void who_stayed_until_it_was_ended_early_has_attended() {
        long ann = register("Ann One");
        clock.set(START.plus(Duration.ofMinutes(45)));
        attendance.joined("whole", ann, at.session(), START, ORGANISER);
        move("END");
        attendance.left("whole", ann, at.session(), clock.instant(), ORGANISER);
        clock.windOn(Duration.ofHours(3));
        Session session = programme.session(at.session()).orElseThrow();
        assertThat(came.ofSession(at.session(), session.held(), clock.instant())
                        .get(ann)
                        .verdict())
                .isEqualTo(Verdict.ATTENDED);
    }

    @Test
    void it_can_be_kept_open_longer_and_a_session_that_moves_forgets_what_was_done_by_hand() {
        String ann = join(register("Ann One"));
        Instant end = programme.session(at.session()).orElseThrow().end();
        clock.set(end.plus(Duration.ofMinutes(10)));
        move("LONGER");
        clock.set(end.plus(Duration.ofMinutes(25)));
        assertThat(scene.stranger().get(ann).location()).contains("/standin/meeting/");
        store.update("update session set starts_at = starts_at where id = ?", at.session());
        assertThat(programme.session(at.session()).orElseThrow().own().door().closes())
                .isPresent();
    }

    @Test
    void who_comes_when_the_first_room_is_full_goes_into_the_second_and_back_there() {
        offerings.save(at.offering(), List.of(new Section.Door(new DoorRules(15, 15, false, "", 0, true))), ORGANISER);
        store.update(
                "update venue set room_size = 2 where id = (select coalesce(s.venue_id, o.venue_id) from session s"
                        + " join offering o on o.id = s.offering_id where s.id = ?)",
                at.session());
        List<Long> people = Stream.of("Ann One", "Ben Two", "Cy Three", "Di Four")
                .map(this::register)
                .toList();
        clock.set(START);
        for (long who : people) {
            Browserless guest = scene.stranger();
            guest.get(path(guest.get(join(who)).location()));
            attendance.joined("stay-" + who, who, at.session(), START, ORGANISER);
        }
        assertThat(store.queryForList(
                        "select count(*) from meeting_visit where room like ? group by room order by room",
                        Integer.class,
                        "session-" + at.session() + "-%"))
                .containsExactly(2, 2);
        assertThat(scene.organiser.get(scene.desk).document().select(".heads").text())
                .contains("in the second room 2");
        assertThat(scene.organiser.get(scene.desk + "/enter?room=2").location()).contains("/standin/meeting/");
    }
}
