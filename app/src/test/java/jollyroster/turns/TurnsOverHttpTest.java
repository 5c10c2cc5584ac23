package jollyroster.turns;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.DoorRules;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** People ask for time alone with the host, and the host calls them in. */
@AppTest
class TurnsOverHttpTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    AttendanceQueries attendance;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    TurnQueries turns;

    @Autowired
    PersonalLinks links;

    @Autowired
    TestClock clock;

    private Published at;
    private Browserless organiser;
    private String desk;

    @BeforeEach
    void sessionBegins() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(8).inAMeeting());
        offerings.save(
                at.offering(), List.of(new Section.Door(new DoorRules(15, 15, false, "", 10, false))), ORGANISER);
        for (String name : List.of("Ada Merrow", "Ben Tarn", "Cleo Sand")) {
            roster.register(Saltmarrow.person(at.session(), name, 1), VISITOR);
        }
        organiser = Browserless.organiser(port);
        desk = "/desk/turns/" + at.session();
        clock.set(START);
    }

    private Registration registration(String name) {
        return Saltmarrow.named(registrations.roster(at.session()), name);
    }

    private String live(String name) {
        Registration r = registration(name);
        return "/live/" + links.issue(Purpose.JOIN, new Link(r.id(), r.generation()));
    }

    private Browserless.Page says(String name, String what) {
        Browserless browser = new Browserless(port);
        return browser.post(live(name), live(name) + "/turn", Map.of("do", what));
    }

    private String turn(String name) {
        return new Browserless(port).get(live(name)).document().select("main").attr("data-turn");
    }

    private void ask(String... names) {
        for (String name : names) {
            says(name, "ask");
            clock.set(clock.instant().plusSeconds(1));
        }
    }

    private Turn of(String name) {
        return turns.of(at.session()).stream()
                .filter(t -> t.name().equals(name))
                .reduce((first, last) -> last)
                .orElseThrow();
    }

    private void host(String path, String... fields) {
        Map<String, String> form = fields.length == 0 ? Map.of() : Map.of("do", fields[0], "note", fields[1]);
        organiser.post(desk, desk + path, form);
    }

    @Test
    void the_door_of_a_session_with_turns_leads_to_the_page_where_one_asks() {
        String join = live("Ada Merrow").replace("/live/", "/join/");
        assertThat(new Browserless(port).get(join).location()).endsWith(live("Ada Merrow"));
        Browserless.Page page = new Browserless(port).get(live("Ada Merrow"));
        assertThat(page.document().select("a[href$=/meeting]").text()).isEqualTo("Go into the meeting");
        assertThat(new Browserless(port).get(live("Ada Merrow") + "/meeting").location())
                .contains("/standin/meeting/");
    }

    @Test
    void the_host_calls_the_next_and_both_go_into_a_room_of_their_own() {
        ask("Ada Merrow", "Ben Tarn");
        host("/next");
        assertThat(turn("Ada Merrow")).isEqualTo("called");
        assertThat(turn("Ben Tarn")).isEqualTo("waiting");
        Browserless.Page theirs = new Browserless(port).get(live("Ada Merrow") + "/turn");
        assertThat(theirs.location()).contains("/standin/meeting/");
        Turn ada = of("Ada Merrow");
        assertThat(ada.room()).startsWith("turn-" + ada.id());
        assertThat(organiser.get(desk + "/" + ada.id() + "/room").location()).contains("/standin/meeting/");
        assertThat(of("Ada Merrow").room()).as("one room for both").isEqualTo(ada.room());
        assertThat(new Browserless(port).get(live("Ben Tarn") + "/turn").location())
                .as("nobody else gets in")
                .endsWith(live("Ben Tarn"));
        host("/next");
        assertThat(organiser.get(desk).document().select(".warned").text()).contains("End that turn first");
    }

    @Test
    void a_turn_that_ended_counts_as_attendance_and_bars_nobody() {
        ask("Ada Merrow");
        host("/next");
        Instant began = clock.instant();
        clock.set(began.plus(Duration.ofMinutes(9)));
        host("/" + of("Ada Merrow").id(), "end", "Needs a chart of the bay.");
        assertThat(of("Ada Merrow").note()).isEqualTo("Needs a chart of the bay.");
        var session = programme.session(at.session()).orElseThrow();
        assertThat(attendance
                        .ofSession(at.session(), session.span(), clock.instant())
                        .get(registration("Ada Merrow").id())
                        .presence()
                        .time()
                        .toMinutes())
                .isEqualTo(9);
        assertThat(turn("Ada Merrow")).isEqualTo("none");
        ask("Ada Merrow");
        assertThat(turn("Ada Merrow")).isEqualTo("waiting");
    }

    @Test
    void each_sees_how_many_are_before_and_what_to_expect() {
        ask("Ada Merrow", "Ben Tarn", "Cleo Sand");
        host("/next");
        clock.set(clock.instant().plus(Duration.ofMinutes(4)));
        Browserless.Page cleo = new Browserless(port).get(live("Cleo Sand"));
        assertThat(cleo.document().select("[data-before]").text()).isEqualTo("1 before you");
        assertThat(cleo.document().select("[data-expected]").text()).isEqualTo("16 min");
        assertThat(organiser.get(desk).document().select(".turn-clock").text()).isEqualTo("4:00");
    }

    @Test
    void whoever_steps_out_is_passed_over_and_keeps_the_place_for_five_minutes() {
        ask("Ada Merrow", "Ben Tarn");
        says("Ada Merrow", "out");
        host("/next");
        assertThat(turn("Ben Tarn")).isEqualTo("called");
        says("Ada Merrow", "back");
        Instant asked = of("Ada Merrow").asked();
        assertThat(asked).isBefore(of("Ben Tarn").asked());
        says("Ada Merrow", "out");
        clock.set(clock.instant().plus(Duration.ofMinutes(6)));
        assertThat(turn("Ada Merrow")).isEqualTo("lost");
        says("Ada Merrow", "back");
        assertThat(of("Ada Merrow").asked()).isAfter(asked);
        says("Ada Merrow", "give-up");
        assertThat(turn("Ada Merrow")).isEqualTo("none");
    }

    @Test
    void asking_twice_gives_one_place_and_nothing_is_asked_of_a_session_without_turns() {
        ask("Ada Merrow", "Ada Merrow");
        assertThat(turns.of(at.session())).hasSize(1);
        offerings.save(at.offering(), List.of(new Section.Door(new DoorRules(15, 15, false, "", 0, false))), ORGANISER);
        ask("Ben Tarn");
        assertThat(turns.of(at.session())).hasSize(1);
    }

    @Test
    void before_the_door_opens_and_with_a_bad_link_the_door_answers() {
        clock.set(START.minus(Duration.ofHours(3)));
        assertThat(new Browserless(port).get(live("Ada Merrow")).location()).contains("/join/");
        says("Ada Merrow", "ask");
        assertThat(turns.of(at.session())).isEmpty();
        assertThat(new Browserless(port)
                        .get("/live/1.1.AAAAAAAAAAAAAAAAAAAAAA/state")
                        .status())
                .isEqualTo(404);
    }
}
