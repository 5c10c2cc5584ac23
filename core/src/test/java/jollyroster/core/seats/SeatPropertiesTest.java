package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** What holds after every step of any history of registering, cancelling and resizing. */
class SeatPropertiesTest {

    /** One step: 0 registers a party, 1 cancels somebody, 2 changes the seats. */
    record Step(int kind, int number) {}

    @Provide
    Arbitrary<List<Step>> histories() {
        Arbitrary<Step> register = Arbitraries.integers().between(1, 4).map(n -> new Step(0, n));
        Arbitrary<Step> cancel = Arbitraries.integers().between(0, 40).map(n -> new Step(1, n));
        Arbitrary<Step> resize = Arbitraries.integers().between(3, 14).map(n -> new Step(2, n));
        return Arbitraries.frequencyOf(
                        net.jqwik.api.Tuple.of(6, register),
                        net.jqwik.api.Tuple.of(4, cancel),
                        net.jqwik.api.Tuple.of(1, resize))
                .list()
                .ofMaxSize(60);
    }

    @Property(tries = 2000)
    void seats_are_never_oversold(@ForAll("histories") List<Step> history) {
        SimulatedSession session = new SimulatedSession(Capacity.withWaitlist(8));
        for (Step step : history) {
            run(session, step);
            assertThat(session.taken()).isLessThanOrEqualTo(session.capacity().open());
        }
    }

    @Property(tries = 2000)
    void nobody_is_passed_over_more_than_twice(@ForAll("histories") List<Step> history) {
        SimulatedSession session = new SimulatedSession(Capacity.withWaitlist(8));
        for (Step step : history) {
            run(session, step);
            assertThat(session.line()).allMatch(w -> w.passedOver() <= SeatRule.MOST_PASS_OVERS);
        }
    }

    @Property(tries = 2000)
    void the_line_keeps_its_order_and_a_second_refill_moves_nothing(@ForAll("histories") List<Step> history) {
        SimulatedSession session = new SimulatedSession(Capacity.withWaitlist(8));
        for (Step step : history) {
            run(session, step);
            assertThat(session.line()).extracting(SeatRule.Waiter::id).isSorted();
            assertThat(session.refill()).isEmpty();
        }
    }

    private static void run(SimulatedSession session, Step step) {
        switch (step.kind()) {
            case 0 -> session.register(step.number());
            case 1 -> session.cancel(step.number());
            default -> session.resize(step.number());
        }
    }
}
