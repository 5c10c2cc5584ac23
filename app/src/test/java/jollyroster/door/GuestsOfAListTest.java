package jollyroster.door;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.outbox.OutboxWorker;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** A guest link that is for certain people, who show by a mailed code that they are. */
@AppTest
class GuestsOfAListTest {

    private static final Instant OPEN = Instant.parse("2027-03-16T21:50:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ArrivalQueries queries;

    @Autowired
    OutboxWorker worker;

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
        scene = new DoorScene(port, at.session()).withLink();
        organiser = scene.organiser;
        desk = scene.desk;
        clock.set(OPEN);
    }

    @AfterEach
    void lettersLeave() {
        worker.sendDue();
    }

    @Test
    void a_link_for_certain_people_asks_for_the_code_that_went_to_their_address() {
        scene.withLink("who", "@crew.example\nada@tarn.example");
        Browserless guest = scene.stranger();
        assertThat(scene.knock(guest, "Ada Merrow", "email", "ada@elsewhere.example")
                        .status())
                .isEqualTo(422);
        Browserless.Page asked = scene.knock(guest, "Ada Merrow", "email", "ada" + at.session() + "@crew.example");
        assertThat(asked.document().select("#code")).hasSize(1);
        assertThat(queries.of(at.session())).isEmpty();
        String email = "ada" + at.session() + "@crew.example";
        scene.knock(guest, "Ada Merrow", "email", email, "code", "000000");
        assertThat(scene.state(guest)).isEqualTo("says-who");
        scene.knock(guest, "Ada Merrow", "email", email, "code", code(email));
        assertThat(scene.state(guest)).isEqualTo("waiting");
        assertThat(organiser.get(desk).document().select(".knocks .who").text()).contains("(confirmed)");
        scene.knock(scene.stranger(), "Other One", "email", "other@crew.example", "code", code(email));
        assertThat(queries.of(at.session())).as("a code is for one address").hasSize(1);
    }

    private String code(String email) {
        String given = store.queryForObject(
                "select given from message where recipient = ? order by id desc limit 1", String.class, email);
        Matcher code = Pattern.compile("\\b\\d{6}\\b").matcher(given);
        assertThat(code.find()).isTrue();
        return code.group();
    }
}
