package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import jollyroster.core.door.Passage.Link;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PassageTest {

    @ParameterizedTest
    @CsvSource({
        "false, false, false, true, IN",
        "false, false, true, true, KNOCKS",
        "true, false, true, true, IN",
        "true, true, true, false, IN",
        "false, true, false, true, SECOND",
        "false, true, true, true, SECOND",
        "false, false, false, false, FULL",
        "false, false, true, false, KNOCKS",
        "true, false, false, false, FULL"
    })
    void a_link_lets_one_browser_in_at_a_time(
            boolean known, boolean inside, boolean everyoneKnocks, boolean hasRoom, Passage passage) {
        assertThat(Passage.decide(new Link(known, inside, false), everyoneKnocks, () -> hasRoom))
                .isEqualTo(passage);
    }

    @ParameterizedTest
    @CsvSource({
        "false, WAITING, WAITING",
        "false, ASKED_TO_WAIT, ASKED_TO_WAIT",
        "false, TURNED_AWAY, TURNED_AWAY",
        "false, BARRED, TURNED_AWAY",
        "false, INSIDE, COME_IN",
        "true, TURNED_AWAY, COME_IN"
    })
    void a_browser_that_has_knocked_follows_what_the_host_says(boolean known, Knock knock, Admission meets) {
        assertThat(Admission.atOpenDoor(
                        new Link(known, true, false),
                        true,
                        () -> true,
                        Optional.of(new GuestMeets.Guest(knock, false))))
                .isEqualTo(meets);
    }

    @Test
    void whoever_has_to_knock_first_is_told_why() {
        assertThat(Admission.atOpenDoor(new Link(false, true, false), false, () -> true, Optional.empty()))
                .isEqualTo(Admission.SECOND);
        assertThat(Admission.atOpenDoor(new Link(false, false, false), true, () -> true, Optional.empty()))
                .isEqualTo(Admission.KNOCKS);
        assertThat(Admission.COME_IN.code()).isEqualTo("inside");
        assertThat(Admission.ASKED_TO_WAIT.code()).isEqualTo("asked-to-wait");
    }

    @ParameterizedTest
    @CsvSource({"true, true", "true, false", "false, true", "false, false"})
    void whoever_was_barred_does_not_come_in_with_any_browser(boolean known, boolean inside) {
        Link link = new Link(known, inside, true);
        assertThat(Passage.decide(link, false, () -> true)).isEqualTo(Passage.BARRED);
        assertThat(Admission.atOpenDoor(link, true, () -> true, Optional.of(new GuestMeets.Guest(Knock.INSIDE, false))))
                .isEqualTo(Admission.TURNED_AWAY);
    }
}
