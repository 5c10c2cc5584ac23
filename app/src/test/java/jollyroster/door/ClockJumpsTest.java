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
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.Knock;
import jollyroster.programme.DoorRules;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.Section;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The machine's clock is set ahead and back while people are at the door: nobody is lost, and every page still answers. */
@AppTest
class ClockJumpsTest {

    private static final Instant BEGUN = Instant.parse("2027-03-16T22:05:00Z");

    /** As far as a clock that is wrong may be, and by the little it is corrected by. */
    private static final List<Duration> JUMPS = List.of(
            Duration.ofSeconds(-2),
            Duration.ofMinutes(-7),
            Duration.ofHours(-3),
            Duration.ofDays(-400),
            Duration.ofMinutes(11),
            Duration.ofHours(6),
            Duration.ofDays(4000));

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ArrivalQueries arrivals;

    @Autowired
    Mailbox mailbox;

    @Autowired
    TestClock clock;

    private Published at;
    private DoorScene scene;
    private String live;

    @BeforeEach
    void begun() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5).inAMeeting());
        offerings.save(
                at.offering(), List.of(new Section.Door(new DoorRules(15, 15, false, "", 10, false))), ORGANISER);
        roster.register(Saltmarrow.person(at.session(), "Ada Merrow", 1), VISITOR);
        live = mailbox.join("ada.merrow@crew.example").replace("/join/", "/live/");
        scene = new DoorScene(port, at.session()).withLink();
        clock.set(BEGUN);
    }

    private List<Knock> states() {
        return arrivals.of(at.session()).stream().map(Arrival::state).toList();
    }

    @Test
    void whoever_waits_waits_on_in_order_when_the_clock_is_right_again() {
        List<Browserless> guests = Stream.of("Ann One", "Ben Two", "Cid Three")
                .map(name -> {
                    clock.windOn(Duration.ofSeconds(5));
                    return scene.knocking(name);
                })
                .toList();
        Instant right = clock.instant();
        for (Duration jump : JUMPS) {
            clock.set(right.plus(jump));
            assertThat(guests)
                    .allSatisfy(guest ->
                            assertThat(scene.state(guest)).as("%s off", jump).isIn("waiting", "countdown", "over"));
        }
        clock.set(right);
        assertThat(guests).allSatisfy(guest -> assertThat(scene.state(guest)).isEqualTo("waiting"));
        assertThat(guests.get(0)
                        .get(scene.link)
                        .document()
                        .select("[data-place]")
                        .text())
                .isEqualTo("You are next.");
        scene.decide(arrivals.of(at.session()).get(0).id(), "ADMIT", "");
        assertThat(states()).containsExactly(Knock.INSIDE, Knock.WAITING, Knock.WAITING);
    }

    @Test
    void whoever_knocks_after_the_clock_was_set_back_waits_as_well() {
        scene.knocking("Ann One");
        clock.windOn(Duration.ofMinutes(-4));
        Browserless second = scene.knocking("Ben Two");
        assertThat(scene.state(second)).isEqualTo("waiting");
        assertThat(scene.organiser.get(scene.desk).document().select(".knocks > li"))
                .hasSize(2);
        scene.organiser.post(scene.desk, scene.desk + "/admit-all", Map.of());
        assertThat(states()).containsOnly(Knock.INSIDE);
    }

    @Test
    void every_page_of_a_session_that_goes_on_answers_at_whatever_hour_the_clock_says() {
        Browserless ada = new Browserless(port);
        ada.post(live, live + "/turn", Map.of("do", "ask"));
        scene.organiser.post(turns(), turns() + "/next", Map.of());
        scene.knocking("Ann One");
        for (Duration jump : JUMPS) {
            clock.set(BEGUN.plus(jump));
            assertThat(Stream.of(scene.desk, turns(), "/desk/live/" + at.session(), "/desk/sessions/" + at.session()))
                    .allSatisfy(page -> assertThat(scene.organiser.get(page).status())
                            .as("%s, %s off", page, jump)
                            .isIn(200, 404));
            assertThat(ada.get(live).status()).as("%s off", jump).isIn(200, 302);
        }
        clock.set(BEGUN.plusSeconds(240));
        assertThat(ada.get(live).document().select("main").attr("data-turn")).isEqualTo("called");
        assertThat(scene.organiser.get(turns()).document().select(".turn-clock").text())
                .isEqualTo("4:00");
        clock.set(BEGUN.minusSeconds(240));
        assertThat(scene.organiser.get(turns()).document().select(".turn-clock").text())
                .isEqualTo("0:00");
    }

    private String turns() {
        return "/desk/turns/" + at.session();
    }
}
