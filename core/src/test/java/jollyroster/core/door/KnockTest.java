package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.core.door.GuestMeets.Guest;
import jollyroster.core.door.Knock.Decision;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class KnockTest {

    @ParameterizedTest
    @CsvSource({
        "WAITING, ADMIT, INSIDE",
        "WAITING, ASK_TO_WAIT, ASKED_TO_WAIT",
        "WAITING, TURN_AWAY, TURNED_AWAY",
        "WAITING, BAR, BARRED",
        "ASKED_TO_WAIT, ADMIT, INSIDE",
        "ASKED_TO_WAIT, TURN_AWAY, TURNED_AWAY",
        "TURNED_AWAY, ADMIT, INSIDE",
        "TURNED_AWAY, BAR, BARRED",
        "BARRED, ADMIT, INSIDE",
        "INSIDE, BAR, BARRED"
    })
    void a_decision_changes_how_somebody_stands(Knock before, Decision decision, Knock then) {
        assertThat(before.after(decision)).contains(then);
    }

    @ParameterizedTest
    @CsvSource({
        "INSIDE, ADMIT",
        "INSIDE, TURN_AWAY",
        "INSIDE, ASK_TO_WAIT",
        "TURNED_AWAY, TURN_AWAY",
        "TURNED_AWAY, ASK_TO_WAIT",
        "BARRED, BAR",
        "BARRED, TURN_AWAY",
        "ASKED_TO_WAIT, ASK_TO_WAIT"
    })
    void a_decision_that_comes_too_late_changes_nothing(Knock before, Decision decision) {
        assertThat(before.after(decision)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Knock.class)
    void only_whoever_was_turned_away_knocks_again(Knock knock) {
        assertThat(knock.mayKnockAgain()).isEqualTo(knock == Knock.TURNED_AWAY);
    }

    private static GuestMeets meets(Phase phase, boolean cancelled, Knock... knock) {
        return GuestMeets.decide(
                phase,
                cancelled,
                () -> true,
                Stream.of(knock).map(k -> new Guest(k, false)).findFirst());
    }

    @Test
    void a_guest_counts_down_says_who_waits_and_goes_in_while_the_door_is_open() {
        assertThat(meets(Phase.BEFORE, false)).isEqualTo(GuestMeets.COUNTDOWN);
        assertThat(meets(Phase.OPEN, false)).isEqualTo(GuestMeets.SAYS_WHO);
        assertThat(meets(Phase.OPEN, false, Knock.WAITING)).isEqualTo(GuestMeets.WAITING);
        assertThat(meets(Phase.OPEN, false, Knock.INSIDE)).isEqualTo(GuestMeets.INSIDE);
        assertThat(meets(Phase.AFTER, false, Knock.INSIDE)).isEqualTo(GuestMeets.OVER);
        assertThat(meets(Phase.OPEN, true, Knock.INSIDE)).isEqualTo(GuestMeets.CANCELLED);
    }

    @ParameterizedTest
    @CsvSource({"false, false, INSIDE", "false, true, INSIDE", "true, true, INSIDE", "true, false, FULL"})
    void whoever_went_comes_back_only_where_there_is_room(boolean left, boolean hasRoom, GuestMeets meets) {
        assertThat(GuestMeets.decide(Phase.OPEN, false, () -> hasRoom, Optional.of(new Guest(Knock.INSIDE, left))))
                .isEqualTo(meets);
    }

    @Test
    void whoever_is_barred_is_not_told_so() {
        assertThat(GuestMeets.BARRED.code())
                .isEqualTo(GuestMeets.TURNED_AWAY.code())
                .isEqualTo("turned-away");
        assertThat(GuestMeets.ASKED_TO_WAIT.code()).isEqualTo("asked-to-wait");
    }
}
