package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** Every state with every event. A state or an event that is not in the table below fails the test. */
class SeatMachineTest {

    private static final String NOT_THERE = "-";

    /** What becomes of a party of 2 on a session with room for everybody and nobody waiting; "no" is refused. */
    private static final String TABLE = """
            event        | -          | UNCONFIRMED | REGISTERED | MAYBE      | WAITLISTED | CALLED_UP  | DECLINED   | CANCELLED
            REGISTER     | REGISTERED | no          | no         | no         | no         | no         | no         | no
            ANSWER_YES   | REGISTERED | stays       | stays      | REGISTERED | stays      | REGISTERED | REGISTERED | REGISTERED
            ANSWER_MAYBE | MAYBE      | MAYBE       | MAYBE      | stays      | MAYBE      | MAYBE      | MAYBE      | MAYBE
            ANSWER_NO    | DECLINED   | DECLINED    | DECLINED   | DECLINED   | DECLINED   | DECLINED   | stays      | stays
            CONFIRM      | no         | REGISTERED  | stays      | stays      | stays      | stays      | no         | no
            PAY          | no         | REGISTERED  | no         | no         | no         | no         | no         | REGISTERED
            ACCEPT       | no         | no          | stays      | no         | no         | REGISTERED | no         | no
            DECLINE      | no         | no          | no         | no         | no         | DECLINED   | no         | no
            RUN_OUT      | no         | CANCELLED   | no         | no         | no         | CANCELLED  | no         | no
            RESIZE       | no         | UNCONFIRMED | REGISTERED | MAYBE      | WAITLISTED | no         | no         | no
            MOVE         | no         | UNCONFIRMED | REGISTERED | MAYBE      | REGISTERED | REGISTERED | no         | no
            SWAP         | no         | no          | REGISTERED | no         | no         | no         | no         | no
            CANCEL       | no         | CANCELLED   | CANCELLED  | CANCELLED  | CANCELLED  | CANCELLED  | no         | no
            RESTORE      | no         | no          | no         | no         | no         | no         | REGISTERED | REGISTERED
            OVERRIDE     | no         | no          | no         | no         | REGISTERED | REGISTERED | no         | no
            CALL_UP      | no         | no          | no         | no         | CALLED_UP  | no         | no         | no
            SEAT         | no         | no          | no         | no         | REGISTERED | no         | no         | no
            STAND_BACK   | no         | no          | no         | no         | no         | WAITLISTED | no         | no
            """;

    private static final Capacity ROOMY = Capacity.withWaitlist(20);

    private static Map<String, String> table() {
        Map<String, String> cells = new LinkedHashMap<>();
        String[] lines = TABLE.split("\n");
        String[] states = lines[0].split("\\s*\\|\\s*");
        for (String line : Arrays.asList(lines).subList(1, lines.length)) {
            String[] row = line.strip().split("\\s*\\|\\s*");
            for (int i = 1; i < row.length; i++) {
                cells.put(states[i].strip() + " " + row[0], row[i]);
            }
        }
        return cells;
    }

    private static Scene scene(Capacity capacity, SeatTally tally, Terms terms, SeatEvent.Deadline... passed) {
        return new Scene(Optional.of(capacity), tally, CallUp.Way.CALL, terms, Set.of(passed));
    }

    private static Scene roomy(Standing before) {
        int waiting = before.waits() ? 1 : 0;
        return scene(ROOMY, new SeatTally(before.seats(), waiting, 0), Terms.AT_ONCE);
    }

    private static String word(Transition transition) {
        if (transition instanceof Transition.Becomes becomes) {
            return becomes.state().name();
        }
        return transition instanceof Transition.Stays ? "stays" : "no";
    }

    private static Standing standing(Optional<RegistrationState> state) {
        return state.map(s -> Standing.of(s, 2)).orElse(Standing.NOBODY);
    }

    private static Transition decide(Optional<RegistrationState> state, SeatEvent event) {
        Standing before = standing(state);
        Standing paid = event == SeatEvent.PAY ? before.settledFor(2) : before;
        int party = event == SeatEvent.RESIZE || state.isEmpty() ? 3 : 0;
        return SeatMachine.decide(paid, event, party, roomy(before));
    }

    @Test
    void each_state_answers_each_event_as_the_table_says() {
        Map<String, String> expected = table();
        Map<String, String> decided = new LinkedHashMap<>();
        for (SeatEvent event : SeatEvent.values()) {
            decided.put(NOT_THERE + " " + event, word(decide(Optional.empty(), event)));
            for (RegistrationState state : RegistrationState.values()) {
                decided.put(state + " " + event, word(decide(Optional.of(state), event)));
            }
        }
        assertThat(new TreeSet<>(expected.keySet())).isEqualTo(new TreeSet<>(decided.keySet()));
        assertThat(decided).containsAllEntriesOf(expected);
    }

    private static Obstacle obstacle(Transition transition) {
        return ((Transition.Refused) transition).because();
    }

    @Test
    void what_means_nothing_is_refused_by_name() {
        Transition refused = decide(Optional.of(RegistrationState.CANCELLED), SeatEvent.ACCEPT);
        assertThat(obstacle(refused)).isEqualTo(Obstacle.NOT_POSSIBLE);
    }

    @Test
    void a_deadline_that_is_over_refuses_what_it_binds_and_nothing_else() {
        Standing registered = Standing.of(RegistrationState.REGISTERED, 2);
        Scene late = scene(
                ROOMY,
                new SeatTally(2, 0, 0),
                Terms.AT_ONCE,
                SeatEvent.Deadline.REGISTRATION,
                SeatEvent.Deadline.CHANGES);
        assertThat(obstacle(SeatMachine.decide(registered, SeatEvent.RESIZE, 3, late)))
                .isEqualTo(Obstacle.TOO_LATE);
        assertThat(obstacle(SeatMachine.decide(registered, SeatEvent.ANSWER_NO, 0, late)))
                .isEqualTo(Obstacle.TOO_LATE);
        assertThat(word(SeatMachine.decide(registered, SeatEvent.MOVE, 0, late)))
                .isEqualTo("REGISTERED");
        assertThat(word(SeatMachine.decide(registered, SeatEvent.CANCEL, 0, late)))
                .isEqualTo("CANCELLED");
        Scene later = scene(
                ROOMY, new SeatTally(2, 0, 0), Terms.AT_ONCE, SeatEvent.Deadline.MOVES, SeatEvent.Deadline.CANCELLING);
        assertThat(obstacle(SeatMachine.decide(registered, SeatEvent.MOVE, 0, later)))
                .isEqualTo(Obstacle.TOO_LATE);
        assertThat(obstacle(SeatMachine.decide(registered, SeatEvent.SWAP, 0, later)))
                .isEqualTo(Obstacle.TOO_LATE);
        assertThat(obstacle(SeatMachine.decide(registered, SeatEvent.CANCEL, 0, later)))
                .isEqualTo(Obstacle.TOO_LATE);
        assertThat(word(SeatMachine.decide(registered, SeatEvent.RESIZE, 3, later)))
                .isEqualTo("REGISTERED");
    }

    @Test
    void on_terms_seats_are_held_and_moving_or_answering_again_does_not_take_that_away() {
        Scene paid = scene(ROOMY, new SeatTally(2, 0, 0), Terms.PAY);
        assertThat(word(SeatMachine.decide(Standing.NOBODY, SeatEvent.REGISTER, 2, paid)))
                .isEqualTo("UNCONFIRMED");
        Standing held = Standing.of(RegistrationState.UNCONFIRMED, 2);
        assertThat(word(SeatMachine.decide(held, SeatEvent.MOVE, 0, paid))).isEqualTo("UNCONFIRMED");
        assertThat(word(SeatMachine.decide(Standing.of(RegistrationState.DECLINED, 2), SeatEvent.ANSWER_YES, 0, paid)))
                .isEqualTo("UNCONFIRMED");
        assertThat(obstacle(SeatMachine.decide(held, SeatEvent.CONFIRM, 0, paid)))
                .isEqualTo(Obstacle.TO_PAY);
        assertThat(word(SeatMachine.decide(Standing.of(RegistrationState.WAITLISTED, 2), SeatEvent.MOVE, 0, paid)))
                .isEqualTo("UNCONFIRMED");
    }

    @Test
    void the_price_follows_the_party() {
        Scene paid = scene(ROOMY, new SeatTally(1, 0, 0), Terms.PAY);
        Standing one = Standing.of(RegistrationState.REGISTERED, 1).settledFor(1);
        Transition five = SeatMachine.decide(one, SeatEvent.RESIZE, 5, paid);
        assertThat(five).isEqualTo(new Transition.Becomes(RegistrationState.UNCONFIRMED, 5, false, Optional.empty()));

        Standing due = Standing.of(RegistrationState.UNCONFIRMED, 5).settledFor(1);
        assertThat(word(SeatMachine.decide(due.settledFor(3), SeatEvent.PAY, 0, paid)))
                .isEqualTo("UNCONFIRMED");
        assertThat(word(SeatMachine.decide(due.settledFor(5), SeatEvent.PAY, 0, paid)))
                .isEqualTo("REGISTERED");
        assertThat(SeatMachine.decide(due, SeatEvent.RUN_OUT, 0, paid))
                .as("what was paid for stays")
                .isEqualTo(new Transition.Becomes(RegistrationState.REGISTERED, 1, false, Optional.empty()));
        assertThat(word(SeatMachine.decide(due, SeatEvent.RESIZE, 1, paid))).isEqualTo("REGISTERED");
    }

    @Test
    void what_the_team_ended_only_the_team_takes_back() {
        Standing ended = new Standing(Optional.of(RegistrationState.CANCELLED), 2, false, 0, true);
        Scene roomy = scene(ROOMY, SeatTally.EMPTY, Terms.AT_ONCE);
        assertThat(obstacle(SeatMachine.decide(ended, SeatEvent.ANSWER_YES, 0, roomy)))
                .isEqualTo(Obstacle.ENDED_BY_TEAM);
        assertThat(obstacle(SeatMachine.decide(ended, SeatEvent.ANSWER_MAYBE, 0, roomy)))
                .isEqualTo(Obstacle.ENDED_BY_TEAM);
        assertThat(word(SeatMachine.decide(ended, SeatEvent.RESTORE, 0, roomy))).isEqualTo("REGISTERED");
        assertThat(word(SeatMachine.decide(ended.settledFor(2), SeatEvent.PAY, 0, roomy)))
                .isEqualTo("no");
    }

    @Test
    void a_newcomer_passes_over_an_open_line_and_nobody_once_it_is_closed() {
        SeatTally waiting = new SeatTally(6, 2, 0);
        Transition open = SeatMachine.decide(
                Standing.NOBODY, SeatEvent.ANSWER_YES, 1, scene(Capacity.withWaitlist(8), waiting, Terms.AT_ONCE));
        assertThat(((Transition.Becomes) open).passesOver()).isTrue();
        Scene closed = new Scene(
                Optional.of(Capacity.withWaitlist(8)),
                new SeatTally(6, 2, 2),
                CallUp.Way.NOBODY,
                Terms.AT_ONCE,
                Set.of());
        Transition walkUp = SeatMachine.decide(Standing.NOBODY, SeatEvent.REGISTER, 1, closed);
        assertThat(walkUp)
                .as("owed to nobody, and passing over nobody")
                .isEqualTo(new Transition.Becomes(RegistrationState.REGISTERED, 1, false, Optional.empty()));
    }

    @Test
    void more_people_come_from_what_nobody_waits_for() {
        Capacity eight = Capacity.withWaitlist(8);
        Standing two = Standing.of(RegistrationState.REGISTERED, 2);
        Scene waitedFor = scene(eight, new SeatTally(6, 1, 0), Terms.AT_ONCE);
        assertThat(obstacle(SeatMachine.decide(two, SeatEvent.RESIZE, 3, waitedFor)))
                .isEqualTo(Obstacle.NO_SEATS);
        Scene free = scene(eight, new SeatTally(6, 0, 0), Terms.AT_ONCE);
        assertThat(word(SeatMachine.decide(two, SeatEvent.RESIZE, 4, free))).isEqualTo("REGISTERED");
        assertThat(obstacle(SeatMachine.decide(two, SeatEvent.RESIZE, 5, free))).isEqualTo(Obstacle.NO_SEATS);
        assertThat(obstacle(SeatMachine.decide(two, SeatEvent.RESIZE, 9, free)))
                .isEqualTo(Obstacle.LARGER_THAN_SESSION);
    }

    @Test
    void a_race_is_won_by_whoever_still_fits() {
        Standing racer = new Standing(Optional.of(RegistrationState.CALLED_UP), 2, true, 0, false);
        Scene two = scene(Capacity.withWaitlist(8), new SeatTally(6, 3, 3), Terms.AT_ONCE);
        Scene one = scene(Capacity.withWaitlist(8), new SeatTally(7, 3, 3), Terms.AT_ONCE);
        assertThat(word(SeatMachine.decide(racer, SeatEvent.ACCEPT, 0, two))).isEqualTo("REGISTERED");
        assertThat(obstacle(SeatMachine.decide(racer, SeatEvent.ACCEPT, 0, one)))
                .isEqualTo(Obstacle.OUTRUN);
    }

    @Test
    void once_the_line_is_closed_whoever_waits_may_take_what_is_free() {
        Standing waiting = Standing.of(RegistrationState.WAITLISTED, 2);
        Capacity eight = new Capacity(8, 0, true, OptionalInt.empty());
        Scene open = new Scene(Optional.of(eight), new SeatTally(6, 1, 0), CallUp.Way.CALL, Terms.AT_ONCE, Set.of());
        Scene closed =
                new Scene(Optional.of(eight), new SeatTally(6, 1, 0), CallUp.Way.NOBODY, Terms.AT_ONCE, Set.of());
        assertThat(obstacle(SeatMachine.decide(waiting, SeatEvent.ACCEPT, 0, open)))
                .isEqualTo(Obstacle.NOTHING_OFFERED);
        assertThat(word(SeatMachine.decide(waiting, SeatEvent.ACCEPT, 0, closed)))
                .isEqualTo("REGISTERED");
    }
}
