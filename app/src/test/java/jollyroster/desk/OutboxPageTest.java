package jollyroster.desk;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The outbox finds messages by person, and says of those that failed why, and what to do. */
@AppTest
class OutboxPageTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxWorker worker;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    DepartureCommands departures;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Browserless organiser;

    @BeforeEach
    void signIn() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
    }

    /** What failed here is nobody's trouble afterwards. */
    @AfterEach
    void withdraw() {
        outbox.list(List.of(MessageState.PLANNED), 0, Optional.empty(), "no-such-box", 100)
                .forEach(item -> departures.withdraw(new DepartureCommands.Which.One(item.id()), Saltmarrow.ORGANISER));
    }

    private void register(Published at, String name, String email) {
        roster.register(
                new Application(at.session(), name, email, "", 1, Saltmarrow.HALIFAX, List.of(), List.of(), ""),
                Saltmarrow.VISITOR);
    }

    private Document shown(String show, String who) {
        String sought = URLEncoder.encode(who, StandardCharsets.UTF_8);
        return organiser.get("/desk/outbox?show=" + show + "&who=" + sought).document();
    }

    @Test
    void messages_are_found_by_part_of_a_name_or_an_address() {
        Published at = saltmarrow.publish(seats(8));
        register(at, "Émile Ånglund", "em.quay@crew.example");
        register(at, "Zora Pike", "zora.pike@crew.example");
        for (String sought : List.of("emile", "ANGL", "em.quay@", " Émile ")) {
            assertThat(shown("planned", sought).select(".sending").text())
                    .as(sought)
                    .contains("Émile Ånglund")
                    .doesNotContain("Zora Pike");
        }
        assertThat(shown("planned", "nobody-of-the-sort").select("main").text()).contains("No message stands here.");
        assertThat(shown("planned", "100%_").select(".sending")).isEmpty();
        assertThat(shown("planned", "x".repeat(5000)).select("[name=who]").attr("value"))
                .hasSizeLessThan(200);
        assertThat(shown("planned", "'\"<b>").select("[name=who]").attr("value"))
                .isEqualTo("'\"<b>");
    }

    @Test
    void what_failed_stands_together_by_its_cause_with_what_to_do() {
        Published at = saltmarrow.publish(seats(8));
        register(at, "Ambrose Netherby", "no-such-box@crew.example");
        register(at, "Ada Netherby", "no-such-box-either@crew.example");
        worker.sendDue();
        Document failed = organiser.get("/desk/outbox?show=failed").document();
        var cause = failed.select("tr:contains(no such mailbox)").first();
        assertThat(cause.select("td").get(2).text()).startsWith("Correct the address");
        assertThat(cause.select("td").get(1).text()).matches("[2-9]\\d* messages|\\d+ messages");
        String reason = cause.select("[name=cause]").attr("value");
        organiser.post("/desk/outbox?show=failed", "/desk/outbox/retry", Map.of("cause", reason));
        Document after = organiser.get("/desk/outbox?show=failed").document();
        assertThat(after.select(".said").text()).matches("\\d+ go again now\\.");
        assertThat(after.select("tr:contains(no such mailbox)")).isEmpty();
        organiser.post("/desk/outbox?show=failed", "/desk/outbox/retry", Map.of("cause", "no such cause"));
        assertThat(organiser.warnedOn("/desk/outbox?show=failed")).containsExactly("None had failed for that.");
    }
}
