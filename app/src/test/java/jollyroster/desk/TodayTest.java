package jollyroster.desk;

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
import jollyroster.guests.GuestCommands;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Needs attention stands on the first page, each with the way to it, and goes when it is done. */
@AppTest
class TodayTest {

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    GuestCommands guests;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Browserless organiser;

    @BeforeEach
    void morning() {
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    /** What is said about an offering, or about everything when the title is empty. */
    private List<Element> needs(String words) {
        return organiser.get("/desk").document().select(".needs li").stream()
                .filter(li -> li.text().contains(words))
                .toList();
    }

    private String title(Published at) {
        return programme.offering(at.offering()).orElseThrow().title();
    }

    private void leadsSomewhere(Element need) {
        String way = need.select("a").attr("href");
        assertThat(organiser.get(way).status()).as(way).isEqualTo(200);
    }

    @Test
    void a_draft_says_what_it_lacks_and_is_quiet_once_discarded() {
        long draft = offerings.draft("Engine care for gulls", Saltmarrow.HALIFAX, Saltmarrow.ORGANISER);
        assertThat(needs("Engine care for gulls")).hasSize(1).allSatisfy(this::leadsSomewhere);
        offerings.discard(draft, Saltmarrow.ORGANISER);
        assertThat(needs("Engine care for gulls")).isEmpty();
    }

    @Test
    void people_who_wait_are_named_until_there_are_seats() {
        Published at = saltmarrow.publish(seats(1));
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        assertThat(needs(title(at) + ",")).noneMatch(li -> li.text().contains("wait"));
        roster.register(Saltmarrow.person(at.session(), "Teo Vance", 1), Saltmarrow.VISITOR);
        assertThat(needs(title(at) + ",")).anySatisfy(li -> {
            assertThat(li.text()).contains("1 waiting, the only seat taken.");
            leadsSomewhere(li);
        });
        organiser.post("/desk", "/desk/sessions/" + at.session() + "/seats", Map.of("seats", "2"));
        assertThat(needs(title(at) + ",")).noneMatch(li -> li.text().contains("waits"));
    }

    @Test
    void a_call_up_without_an_answer_is_there_with_its_time() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        roster.register(Saltmarrow.person(at.session(), "Quill Strand", 1), Saltmarrow.VISITOR);
        long seated = registrations.roster(at.session()).get(0).id();
        changes.cancel(seated, "", Saltmarrow.self(seated));
        assertThat(needs("Quill Strand has not"))
                .as("days before it must be answered")
                .isEmpty();
        Instant until = registrations.held().stream()
                .filter(r -> r.name().equals("Quill Strand"))
                .findFirst()
                .flatMap(r -> r.hold().until())
                .orElseThrow();
        clock.set(until.minus(Duration.ofHours(5)));
        assertThat(needs("Quill Strand has not answered the call-up"))
                .hasSize(1)
                .allSatisfy(li -> {
                    assertThat(li.select(".when").text()).isEqualTo("in 5 h");
                    assertThat(organiser
                                    .get(li.select("a").attr("href"))
                                    .document()
                                    .select("tbody .name")
                                    .text())
                            .contains("Quill Strand");
                });
    }

    @Test
    void a_letter_that_failed_is_there_until_it_went() {
        Published at = saltmarrow.publish(seats(3));
        assertThat(needs("failed")).isEmpty();
        roster.register(
                Application.plain(at.session(), "Ambrose Netherby", "no-such-box@crew.example", 1, Saltmarrow.HALIFAX),
                Saltmarrow.VISITOR);
        worker.sendDue();
        assertThat(needs("One message failed")).hasSize(1).allSatisfy(this::leadsSomewhere);
    }

    @Test
    void who_asks_to_come_is_there_until_somebody_decides() {
        Published at = saltmarrow.publish(seats(3).invitedOnly());
        guests.ask(
                at.offering(),
                new GuestCommands.Guest("Oriel Merrow", "oriel@today.example"),
                "",
                Saltmarrow.ORGANISER);
        assertThat(needs(title(at))).anySatisfy(li -> assertThat(li.text()).contains("asks to come"));
        String list = "/desk/offerings/" + at.offering() + "/guests";
        String decide = organiser.get(list).document().select(".asking form").attr("action");
        organiser.post(list, decide, Map.of("yes", "false"));
        assertThat(needs(title(at))).noneMatch(li -> li.text().contains("asks to come"));
    }

    @Test
    void a_past_session_asks_who_was_there() {
        Published at = saltmarrow.publish(seats(3));
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        clock.set(programme.session(at.session()).orElseThrow().end().plus(Duration.ofHours(2)));
        assertThat(needs(title(at))).anySatisfy(li -> {
            assertThat(li.text()).contains("Nobody is marked as having been there");
            leadsSomewhere(li);
        });
        long there = registrations.roster(at.session()).get(0).id();
        organiser.post(
                "/desk",
                "/desk/sessions/" + at.session() + "/registrations/" + there + "/mark",
                Map.of("verdict", "ATTENDED"));
        assertThat(needs(title(at))).noneMatch(li -> li.text().contains("Nobody is marked"));
    }

    @Test
    void it_says_that_no_mail_server_is_set() {
        assertThat(Browserless.organiser(port)
                        .get("/desk")
                        .document()
                        .select(".margin .team-note")
                        .text())
                .contains("No mail server is set.");
    }
}
