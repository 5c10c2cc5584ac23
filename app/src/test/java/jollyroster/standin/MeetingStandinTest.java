package jollyroster.standin;

import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

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
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.MeetingProvider;
import jollyroster.door.MeetingProviderContract;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** The stand-in does what any meeting service has to do, and can be slow, broken and late with what it reports. */
@AppTest
class MeetingStandinTest extends MeetingProviderContract {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    MeetingStandin standin;

    @Autowired
    RegistrationCommands registering;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    PersonalLinks links;

    @Autowired
    JdbcTemplate store;

    @Autowired
    TestClock clock;

    private Browserless browser;
    private Published at;
    private long registration;

    @BeforeEach
    void aSession() {
        saltmarrow.setUp();
        browser = new Browserless(port);
        at = saltmarrow.publish(seats(9).onAir("2027-03-10T10:00"));
        Registering.Done done =
                (Registering.Done) registering.register(Saltmarrow.person(at.session(), "Ann One", 1), VISITOR);
        registration = done.link().id();
    }

    @AfterEach
    void wellAgain() {
        standin.setMood(MeetingStandin.Mood.PROMPT);
        standin.setReporting(MeetingStandin.Reporting.PROMPT);
    }

    @Override
    protected MeetingProvider provider() {
        return standin;
    }

    @Override
    protected Instant now() {
        return clock.instant();
    }

    @Override
    protected String goIn(String entry) {
        return browser.get(entry).response().body();
    }

    @Override
    protected void leave(String entry) {
        String form = browser.get(entry).document().select("form").attr("action");
        browser.postAsIs(form, Map.of());
    }

    @Override
    protected String pass() {
        return links.issue(Purpose.MEETING_PASS, new Link(registration, 1));
    }

    /** As the program took them, which it does of signed reports only. */
    @Override
    protected List<Reported> reported(String pass, int atLeast) {
        await().atMost(Duration.ofSeconds(20)).until(() -> taken(pass).size() >= atLeast);
        return taken(pass);
    }

    private List<Reported> taken(String pass) {
        return store
                .query(
                        "select left_at from connection where registration_id = ?",
                        (row, i) -> row.getString(1) == null
                                ? Stream.of(new Reported("joined", pass))
                                : Stream.of(new Reported("joined", pass), new Reported("left", pass)),
                        registration)
                .stream()
                .flatMap(all -> all)
                .toList();
    }

    private String meetsAt(String token) {
        Browserless.Page page = browser.get("/join/" + token);
        return page.location().isEmpty() ? page.document().select("main").text() : page.location();
    }

    @Test
    void reports_that_come_twice_count_once() {
        standin.setReporting(MeetingStandin.Reporting.TWICE);
        who_comes_and_who_leaves_is_reported_with_the_pass_as_it_was_given();
    }

    @Test
    void while_it_lets_nobody_in_people_see_a_plain_page_and_go_in_when_it_is_back() {
        clock.set(Instant.parse("2027-03-10T13:55:00Z"));
        String token = links.issue(
                Purpose.JOIN,
                new Link(
                        registration,
                        roster.registration(registration).orElseThrow().generation()));
        for (MeetingStandin.Mood trouble : List.of(MeetingStandin.Mood.REFUSING, MeetingStandin.Mood.FAILING)) {
            standin.setMood(trouble);
            assertThat(meetsAt(token)).as(trouble.name()).contains("not opened the room yet");
        }
        standin.setMood(MeetingStandin.Mood.SLOW);
        assertThat(meetsAt(token)).contains("/standin/meeting/");
    }

    private static void grant(Browserless organiser, String grant) {
        String page = "/desk/setup/connections";
        String consent =
                organiser.post(page, page + "/meetings/connect", Map.of()).location();
        String state = organiser
                .get(consent.replaceAll("^https?://[^/]+", ""))
                .document()
                .select("[name=state]")
                .attr("value");
        organiser.get(page + "/meetings/granted?state=" + state + "&grant=" + grant);
    }

    @Test
    void a_service_that_is_cut_off_is_asked_for_nothing_and_its_offerings_say_so() {
        clock.set(Instant.parse("2027-03-10T13:55:00Z"));
        Browserless organiser = Browserless.organiser(port);
        String page = "/desk/setup/connections";
        String token = links.issue(
                Purpose.JOIN,
                new Link(
                        registration,
                        roster.registration(registration).orElseThrow().generation()));
        try {
            organiser.post(page, page + "/meetings/cut", Map.of());
            assertThat(organiser.get(page).document().select(".stands").text()).isEqualTo("Cut off");
            assertThat(meetsAt(token)).contains("not opened the room yet");
            assertThat(organiser
                            .get("/desk/offerings/" + at.offering())
                            .document()
                            .select(".notes")
                            .text())
                    .contains("The meeting service is cut off.");
            assertThat(organiser.get("/desk").document().select("main").text())
                    .contains("The meeting service is cut off");
            assertThat(organiser
                            .get(page + "/meetings/granted?state=guessed&grant=granted")
                            .location())
                    .as("not asked for from here")
                    .endsWith(page);
            assertThat(organiser.get(page).document().select(".stands").text()).isEqualTo("Cut off");
            grant(organiser, "");
            assertThat(organiser.get(page).document().select(".stands").text())
                    .as("refused")
                    .isEqualTo("Cut off");
        } finally {
            grant(organiser, "granted");
        }
        assertThat(organiser.get(page).document().select(".stands").text()).isEqualTo("Connected");
        assertThat(meetsAt(token)).contains("/standin/meeting/");
        organiser.post(page, page + "/meetings/test", Map.of());
        assertThat(organiser.get(page).document().select(".said").text()).contains("It works");
    }
}
