package jollyroster.door;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What those at the desk of a door see of people and of one another. */
@AppTest
class AtTheDeskTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    DoorStream stream;

    @Autowired
    TestClock clock;

    private Published at;
    private DoorScene scene;

    @BeforeEach
    void doorOpens() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5).inAMeeting()
                .asking(
                        QuestionForm.of("SHORT_TEXT", "Boat", "", false, ""),
                        QuestionForm.of("SHORT_TEXT", "Shoe size", "", false, "")));
        new Browserless(port)
                .register(at, Map.of("name", "Wren Pennycot", "q.boat", "Dinghy <Ada>", "q.shoe_size", "41"));
        scene = new DoorScene(port, at.session()).withLink();
        clock.set(Instant.parse("2027-03-16T21:50:00Z"));
    }

    private String row() {
        return scene.organiser.get(scene.desk).document().select(".knocks li").text();
    }

    @Test
    void answers_to_chosen_questions_stand_beside_whoever_it_probably_is() {
        scene.knocking("Wren Pennycott");
        assertThat(row()).contains("probably Wren Pennycot").doesNotContain("Dinghy");
        String boat = scene.organiser
                .get(scene.desk)
                .document()
                .select("[name=question]")
                .first()
                .attr("value");
        scene.organiser.post(scene.desk, scene.desk + "/answers", Map.of("question", boat));
        assertThat(row()).contains("Boat: Dinghy <Ada>").doesNotContain("41");
        scene.organiser.post(scene.desk, scene.desk + "/answers", Map.of());
        assertThat(row()).doesNotContain("Dinghy");
        scene.organiser.post(scene.desk, scene.desk + "/answers", Map.of("question", "987654"));
        assertThat(row()).as("a question of another offering").doesNotContain("Dinghy");
    }

    @Test
    void who_else_stands_at_the_desk_is_said() {
        stream.answer("door-" + at.session(), new Actor.Team(77, "Sable Renwick", Role.HOST));
        stream.answer("door-" + (at.session() + 1), new Actor.Team(78, "Tam Orrick", Role.HOST));
        assertThat(scene.organiser
                        .get(scene.desk)
                        .document()
                        .select(".sheet-head")
                        .text())
                .contains("also at this desk: Sable Renwick")
                .doesNotContain("Tam Orrick");
    }
}
