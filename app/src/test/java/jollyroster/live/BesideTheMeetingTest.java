package jollyroster.live;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.programme.DoorRules;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.Section;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Questions, polls, agenda and materials on the page beside a meeting. */
@AppTest
class BesideTheMeetingTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    LiveQueries queries;

    @Autowired
    Mailbox mailbox;

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
                at.offering(),
                List.of(new Section.Door(new DoorRules(15, 15, false, "- Calling\n- Distress calls", 0, false))),
                ORGANISER);
        roster.register(Saltmarrow.person(at.session(), "Ada Merrow", 1), VISITOR);
        roster.register(Saltmarrow.person(at.session(), "Ben Tarn", 1), VISITOR);
        organiser = Browserless.organiser(port);
        desk = "/desk/live/" + at.session();
        clock.set(START);
    }

    private String live(String first) {
        String email = first.equals("Ada") ? "ada.merrow@crew.example" : "ben.tarn@crew.example";
        return mailbox.join(email).replace("/join/", "/live/");
    }

    private Browserless.Page says(String first, String what, String... fields) {
        return new Browserless(port).post(live(first), live(first) + "/" + what, Map.of(fields[0], fields[1]));
    }

    private Browserless.Page page(String first) {
        return new Browserless(port).get(live(first));
    }

    private void host(String path, Map<String, String> fields) {
        organiser.post(desk, desk + path, fields);
    }

    private LiveQueries.Question only() {
        assertThat(queries.questions(at.session())).hasSize(1);
        return queries.questions(at.session()).get(0);
    }

    @Test
    void a_question_is_seen_when_it_is_let_through_seconded_once_by_each_and_answered() {
        says("Ada", "ask", "words", "Which <b>channel</b> first?");
        assertThat(page("Ben").document().select(".asked-list li")).isEmpty();
        host("/questions/" + only().id(), Map.of("do", "SHOWN"));
        assertThat(page("Ben").document().select(".asked-list bdi").first().text())
                .isEqualTo("Which <b>channel</b> first?");
        String id = String.valueOf(only().id());
        says("Ben", "second", "question", id);
        says("Ben", "second", "question", id);
        says("Ada", "second", "question", id);
        assertThat(only().seconds()).as("not one's own, and once").isEqualTo(1);
        assertThat(page("Ben").document().select("main").attr("data-done")).isEqualTo("q" + id);
        host("/questions/" + id, Map.of("do", "ANSWERED"));
        assertThat(page("Ben").document().select(".is-answered")).hasSize(1);
        host("/questions/" + id, Map.of("do", "REMOVED"));
        assertThat(queries.questions(at.session())).isEmpty();
    }

    @Test
    void a_question_that_is_sent_twice_is_one() {
        says("Ada", "ask", "words", "Which channel first?");
        says("Ada", "ask", "words", "Which channel first?");
        assertThat(queries.questions(at.session())).hasSize(1);
        says("Ben", "ask", "words", "Which channel first?");
        assertThat(queries.questions(at.session())).hasSize(2);
    }

    @Test
    void questions_can_be_open_to_all_or_off_and_nobody_asks_without_end() {
        host("/settings", Map.of("questions", "OPEN"));
        for (int i = 0; i < 8; i++) {
            says("Ada", "ask", "words", "Question " + i);
        }
        assertThat(page("Ben").document().select(".asked-list li")).hasSize(LiveCommands.MOST_OF_ONE);
        host("/settings", Map.of("questions", "OFF"));
        says("Ben", "ask", "words", "One more");
        assertThat(queries.questions(at.session())).hasSize(LiveCommands.MOST_OF_ONE);
        assertThat(page("Ben").document().select("form.live-ask")).isEmpty();
    }

    @Test
    void a_vote_counts_once_can_be_changed_and_is_over_when_the_poll_is() {
        host("/polls", Map.of("words", "Been on the air before?", "choices", ""));
        long poll = queries.polls(at.session()).get(0).id();
        vote("Ada", poll, 0);
        vote("Ben", poll, 0);
        vote("Ben", poll, 1);
        vote("Ben", poll, 7);
        assertThat(queries.polls(at.session()).get(0).votes()).containsExactly(1, 1);
        host("/polls/end", Map.of());
        vote("Ada", poll, 1);
        assertThat(queries.polls(at.session()).get(0).votes()).containsExactly(1, 1);
        assertThat(page("Ada").document().select(".poll form")).isEmpty();
        assertThat(page("Ada").document().select(".bars b").eachText()).containsExactly("1", "1");
    }

    private void vote(String first, long poll, int choice) {
        new Browserless(port)
                .post(
                        live(first),
                        live(first) + "/vote",
                        Map.of("poll", String.valueOf(poll), "choice", String.valueOf(choice)));
    }

    @Test
    void materials_open_when_they_are_meant_to() {
        clock.set(START.minusSeconds(600));
        for (String opens : List.of("AT_ONCE", "FROM_START", "AFTER")) {
            host(
                    "/materials",
                    Map.of("title", opens, "address", "https://saltmarrow.example/" + opens, "opens", opens));
        }
        host("/materials", Map.of("title", "Bad", "address", "javascript:alert(1)"));
        assertThat(materials()).containsExactly("AT_ONCE");
        clock.set(START);
        assertThat(materials()).containsExactly("AT_ONCE", "FROM_START");
        clock.set(START.plusSeconds(2 * 3600));
        assertThat(materials()).containsExactly("AT_ONCE", "FROM_START", "AFTER");
    }

    private Browserless.Page upload(String name, String content, String opens) {
        return organiser.upload(desk, desk + "/materials", Map.of("opens", opens), name, content);
    }

    @Test
    void files_are_checked_handed_out_from_their_moment_on_and_gone_when_they_are_removed() {
        upload("odd.exe", "MZ", "AT_ONCE");
        upload("not.pdf", "<script>alert(1)</script>", "AT_ONCE");
        upload("large.txt", "x".repeat(MaterialCommands.LARGEST + 1), "AT_ONCE");
        assertThat(queries.materials(at.session())).isEmpty();
        upload("chart \u00e9.pdf", "%PDF-1.7 chart", "FROM_START");
        LiveQueries.Material chart = queries.materials(at.session()).get(0);
        String address = organiser.get(desk).document().select(".plain-list a").attr("href");
        Browserless guest = new Browserless(port);
        clock.set(START.minusSeconds(1));
        assertThat(guest.get(address).status()).as("not before the start").isEqualTo(404);
        assertThat(organiser.get(address).status()).as("but the team").isEqualTo(200);
        clock.set(START);
        Browserless.Page file = guest.get(
                page("Ben").document().select("[aria-label=Materials] a").attr("href"));
        assertThat(file.response().body()).isEqualTo("%PDF-1.7 chart");
        assertThat(file.response().headers().firstValue("Content-Disposition").orElseThrow())
                .startsWith("attachment");
        assertThat(guest.get(address.substring(0, address.length() - 2)).status())
                .isEqualTo(404);
        host("/materials/" + chart.id(), Map.of());
        assertThat(guest.get(address).status()).as("removed").isEqualTo(404);
    }

    private List<String> materials() {
        return page("Ada").document().select(".plain-list a").eachText();
    }

    @Test
    void the_agenda_shows_where_we_are_and_what_has_not_changed_is_not_sent() {
        Browserless.Page before = page("Ada");
        assertThat(before.document().select(".agenda li").eachText()).containsExactly("Calling", "Distress calls");
        String version = before.document().select("[data-beside]").attr("data-version");
        Browserless browser = new Browserless(port);
        assertThat(browser.get(live("Ada") + "/beside?version=" + version).status())
                .isEqualTo(204);
        host("/settings", Map.of("now", "Distress calls"));
        Browserless.Page fresh = browser.get(live("Ada") + "/beside?version=" + version);
        assertThat(fresh.document().select("[aria-current=step]").text()).isEqualTo("Distress calls");
        assertThat(browser.get(live("Ada") + "/state").response().body()).contains("\"every\":4");
    }

    @Test
    void before_the_door_opens_nobody_asks_and_other_sessions_are_out_of_reach() {
        says("Ada", "ask", "words", "Mine");
        long question = only().id();
        host("/questions/" + question, Map.of("do", "SHOWN"));
        Published other = saltmarrow.publish(seats(8).inAMeeting());
        clock.set(TestClock.START);
        roster.register(Saltmarrow.person(other.session(), "Cleo Sand", 1), VISITOR);
        clock.set(START);
        String cleo = mailbox.join("cleo.sand@crew.example").replace("/join/", "/live/");
        new Browserless(port).post(cleo, cleo + "/second", Map.of("question", String.valueOf(question)));
        organiser.post(desk, "/desk/live/" + other.session() + "/questions/" + question, Map.of("do", "REMOVED"));
        assertThat(only().seconds()).isZero();
        clock.set(START.minusSeconds(7200));
        assertThat(page("Ada").location()).contains("/join/");
    }
}
