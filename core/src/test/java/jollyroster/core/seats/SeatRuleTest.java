package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalInt;
import jollyroster.core.seats.SeatRule.Move;
import jollyroster.core.seats.SeatRule.Waiter;
import org.junit.jupiter.api.Test;

class SeatRuleTest {

    private static final Capacity EIGHT = Capacity.withWaitlist(8);

    @Test
    void worked_example_of_the_rule() {
        List<Waiter> line = List.of(new Waiter('A', 3, 0), new Waiter('B', 1, 0), new Waiter('C', 2, 0));

        assertThat(SeatRule.refill(EIGHT, 6, line, CallUp.Way.SEAT))
                .containsExactly(new Move.PassOver('A', 1), new Move.Seat('B'));

        SeatTally afterRefill = new SeatTally(7, 2, 0);
        assertThat(SeatRule.arrive(EIGHT, afterRefill, 1)).isEqualTo(new Arrival.Seated(true));

        SeatTally aIsOwed = new SeatTally(7, 2, 1);
        assertThat(SeatRule.arrive(EIGHT, aIsOwed, 1))
                .isEqualTo(new Arrival.Waitlisted(3, Arrival.Waiting.OWED_TO_OTHERS));

        List<Waiter> owed = List.of(new Waiter('A', 3, 2), new Waiter('C', 2, 1), new Waiter('D', 1, 0));
        assertThat(SeatRule.refill(EIGHT, 6, owed, CallUp.Way.SEAT)).isEmpty();
        assertThat(SeatRule.refill(EIGHT, 5, owed, CallUp.Way.SEAT)).containsExactly(new Move.Seat('A'));
    }

    @Test
    void room_for_many_is_promised_only_where_the_rule_would_keep_it() {
        Capacity three = new Capacity(8, 1, true, OptionalInt.of(3));
        assertThat(EIGHT.hasRoomFor(100, 200, SeatTally.EMPTY))
                .as("a line of any length")
                .isTrue();
        assertThat(Capacity.withoutWaitlist(8).hasRoomFor(4, 8, SeatTally.EMPTY))
                .isTrue();
        assertThat(Capacity.withoutWaitlist(8).hasRoomFor(4, 9, SeatTally.EMPTY))
                .isFalse();
        assertThat(three.hasRoomFor(7, 7, SeatTally.EMPTY))
                .as("one seat is kept back")
                .isTrue();
        assertThat(three.hasRoomFor(8, 8, SeatTally.EMPTY)).isFalse();
        assertThat(three.hasRoomFor(2, 8, new SeatTally(0, 1, 0)))
                .as("two places are left in the line")
                .isTrue();
        assertThat(three.hasRoomFor(1, 1, new SeatTally(0, 3, 1)))
                .as("the free seats are owed")
                .isFalse();
    }

    @Test
    void a_party_that_does_not_fit_waits_at_the_end() {
        assertThat(SeatRule.arrive(EIGHT, new SeatTally(7, 4, 0), 2))
                .isEqualTo(new Arrival.Waitlisted(5, Arrival.Waiting.DOES_NOT_FIT));
    }

    @Test
    void kept_back_seats_are_not_given_away() {
        Capacity capacity = new Capacity(8, 2, true, OptionalInt.empty());
        assertThat(SeatRule.arrive(capacity, new SeatTally(6, 0, 0), 1)).isInstanceOf(Arrival.Waitlisted.class);
        assertThat(SeatRule.refill(capacity, 6, List.of(new Waiter(1, 1, 0)), CallUp.Way.SEAT))
                .isEmpty();
    }

    @Test
    void refusals_name_their_reason() {
        Capacity closed = Capacity.withoutWaitlist(8);
        assertThat(SeatRule.arrive(closed, new SeatTally(8, 0, 0), 1))
                .isEqualTo(new Arrival.Refused(Arrival.Refusal.FULL_WITHOUT_WAITLIST));
        assertThat(SeatRule.arrive(EIGHT, SeatTally.EMPTY, 9))
                .isEqualTo(new Arrival.Refused(Arrival.Refusal.LARGER_THAN_SESSION));
        Capacity twoMayWait = new Capacity(8, 0, true, OptionalInt.of(2));
        assertThat(SeatRule.arrive(twoMayWait, new SeatTally(8, 2, 0), 1))
                .isEqualTo(new Arrival.Refused(Arrival.Refusal.WAITLIST_FULL));
    }

    @Test
    void a_party_that_can_no_longer_fit_does_not_block_the_line() {
        List<Waiter> line = List.of(new Waiter(1, 9, 2), new Waiter(2, 1, 0));
        assertThat(SeatRule.refill(EIGHT, 7, line, CallUp.Way.SEAT)).containsExactly(new Move.Seat(2));
    }

    @Test
    void call_ups_hold_seats_and_pass_over_like_seating_does() {
        List<Waiter> line = List.of(new Waiter('A', 3, 0), new Waiter('B', 1, 0), new Waiter('C', 2, 0));
        assertThat(SeatRule.refill(EIGHT, 6, line, CallUp.Way.CALL))
                .containsExactly(new Move.PassOver('A', 1), new Move.Call('B'));
    }

    @Test
    void in_a_race_all_that_could_come_are_called_and_nobody_is_passed_over() {
        List<Waiter> line = List.of(new Waiter('A', 3, 0), new Waiter('B', 1, 0), new Waiter('C', 2, 0));
        assertThat(SeatRule.refill(EIGHT, 6, line, CallUp.Way.RACE))
                .containsExactly(new Move.Call('B'), new Move.Call('C'));
        List<Waiter> owed = List.of(new Waiter('B', 1, 0), new Waiter('A', 3, 2), new Waiter('C', 2, 0));
        assertThat(SeatRule.refill(EIGHT, 6, owed, CallUp.Way.RACE)).containsExactly(new Move.Call('B'));
        assertThat(SeatRule.outrun(EIGHT, 7, List.of(new Waiter('C', 2, 0), new Waiter('D', 1, 0))))
                .containsExactly(new Waiter('C', 2, 0));
    }

    @Test
    void once_the_line_is_closed_nobody_is_called() {
        assertThat(SeatRule.refill(EIGHT, 0, List.of(new Waiter(1, 1, 0)), CallUp.Way.NOBODY))
                .isEmpty();
    }

    @Test
    void free_seats_are_never_below_zero() {
        assertThat(EIGHT.free(11)).isZero();
    }
}
