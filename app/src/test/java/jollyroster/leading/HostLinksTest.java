package jollyroster.leading;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Role;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** Links of those who lead: good once somebody has signed in or typed the code that went to their address. */
@AppTest
class HostLinksTest {

    private static final Instant MORNING = Instant.parse("2027-03-16T14:00:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    LeaderQueries leaders;

    @Autowired
    PersonalLinks links;

    @Autowired
    JdbcTemplate store;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TestClock clock;

    private Published at;
    private Browserless organiser;
    private String desk;

    @AfterEach
    void lettersLeave() {
        worker.sendDue();
    }

    @BeforeEach
    void published() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5).inAMeeting());
        organiser = Browserless.organiser(port);
        desk = "/desk/leading/" + at.session();
        clock.set(MORNING);
    }

    private Leader presenter(String email) {
        organiser.post(desk, desk, Map.of("part", "PRESENTER", "name", "Isolde Quay", "email", email));
        return leaders.of(at.session()).get(0);
    }

    private String code(String email) {
        List<String> facts = store.queryForList(
                "select given from message where recipient = ? order by id desc", String.class, email);
        Matcher code = Pattern.compile("\\b\\d{6}\\b").matcher(facts.get(0));
        assertThat(code.find()).isTrue();
        return code.group();
    }

    private Browserless.Page prove(Browserless browser, String path, String code) {
        return browser.post(path, path + "/prove", Map.of("code", code));
    }

    @Test
    void a_presenter_types_the_mailed_code_once_and_goes_in_before_the_door_opens() {
        String email = "isolde" + at.session() + "@crew.example";
        String path = leaders.path(presenter(email));
        Browserless browser = new Browserless(port);
        Browserless.Page page = browser.get(path);
        assertThat(page.state()).isEqualTo("unknown");
        assertThat(page.document().text()).contains("i…@crew.example").doesNotContain(email);
        assertThat(browser.get(path + "/meeting").location()).endsWith(path);
        browser.post(path, path + "/code", Map.of());
        String code = code(email);
        assertThat(browser.get(path).document().select("#code")).isNotEmpty();
        prove(browser, path, code);
        assertThat(browser.get(path).state()).isEqualTo("known");
        assertThat(browser.get(path + "/meeting").location()).contains("/standin/meeting/");
        assertThat(browser.get(path + "/rehearsal").location()).contains("/standin/meeting/");
        Browserless other = new Browserless(port);
        prove(other, path, code);
        assertThat(other.get(path).state()).as("a code is good once").isEqualTo("unknown");
    }

    @Test
    void codes_run_out_and_cannot_be_guessed() {
        String email = "late" + at.session() + "@crew.example";
        String path = leaders.path(presenter(email));
        Browserless browser = new Browserless(port);
        browser.post(path, path + "/code", Map.of());
        String code = code(email);
        clock.set(MORNING.plus(Duration.ofMinutes(11)));
        prove(browser, path, code);
        assertThat(browser.get(path).state()).isEqualTo("unknown");
        browser.post(path, path + "/code", Map.of());
        String fresh = code(email);
        for (int i = 0; i < 5; i++) {
            prove(browser, path, "000000");
        }
        prove(browser, path, fresh);
        assertThat(browser.get(path).state())
                .as("after five wrong ones even the right one waits")
                .isEqualTo("unknown");
    }

    @Test
    void a_replaced_link_is_dead_at_once_and_a_guest_link_is_none() {
        Leader before = presenter("isolde" + at.session() + "@crew.example");
        organiser.post(desk, desk + "/" + before.id(), Map.of("do", "renew"));
        assertThat(new Browserless(port).get(leaders.path(before)).status()).isEqualTo(404);
        Leader now = leaders.of(at.session()).get(0);
        assertThat(new Browserless(port).get(leaders.path(now)).status()).isEqualTo(200);
        String asGuest = "/host/" + links.issue(Purpose.GUEST, now.link());
        assertThat(new Browserless(port).get(asGuest).status()).isEqualTo(404);
        organiser.post(desk, desk + "/" + now.id(), Map.of("do", "remove"));
        assertThat(new Browserless(port).get(leaders.path(now)).status()).isEqualTo(404);
    }

    @Test
    void a_producer_of_the_team_runs_the_door_of_that_session() {
        long account =
                store.queryForObject("select id from account where email = 'demo@saltmarrow.example'", Long.class);
        Actor producer = new Actor.Team(account, "Demo Organiser", Role.HOST);
        assertThat(leaders.isProducer(at.session(), producer)).isFalse();
        organiser.post(desk, desk, Map.of("part", "PRODUCER", "member", String.valueOf(account)));
        assertThat(leaders.isProducer(at.session(), producer)).isTrue();
        String path = leaders.path(leaders.of(at.session()).get(0));
        assertThat(organiser.get(path).state()).as("signed in is enough").isEqualTo("known");
        assertThat(new Browserless(port).get(path).state()).isEqualTo("unknown");
    }

    @Test
    void nobody_from_outside_hosts_and_odd_names_do_no_harm() {
        organiser.post(desk, desk, Map.of("part", "HOST", "name", "Isolde Quay", "email", "i@crew.example"));
        organiser.post(desk, desk, Map.of("part", "PRESENTER", "name", "", "email", "i@crew.example"));
        organiser.post(desk, desk, Map.of("part", "PRESENTER", "name", "Isolde", "email", "not an address"));
        organiser.post(desk, desk, Map.of("part", "PRESENTER", "member", "999999"));
        assertThat(leaders.of(at.session())).isEmpty();
        organiser.post(desk, desk, Map.of("part", "PRESENTER", "name", "<b>x</b>", "email", "i@crew.example"));
        assertThat(organiser.get(desk).document().select(".link-rows bdi b")).isEmpty();
    }
}
