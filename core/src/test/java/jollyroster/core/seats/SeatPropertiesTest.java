package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.Consumer;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** What holds after every step of any history of two dates of one offering. */
class SeatPropertiesTest {

    enum Kind {
        REGISTER,
        CANCEL,
        SHRINK,
        RESIZE,
        ACCEPT,
        EXPIRE,
        MOVE,
        SWAP,
        COME_NEARER
    }

    /** @param date 0 or 1 */
    record Step(Kind kind, int date, int number) {}

    @Provide
    Arbitrary<List<Step>> histories() {
        Arbitrary<Kind> kinds = Arbitraries.frequencyOf(
                net.jqwik.api.Tuple.of(8, Arbitraries.just(Kind.REGISTER)),
                net.jqwik.api.Tuple.of(4, Arbitraries.just(Kind.CANCEL)),
                net.jqwik.api.Tuple.of(5, Arbitraries.of(Kind.SHRINK, Kind.ACCEPT, Kind.EXPIRE, Kind.MOVE, Kind.SWAP)),
                net.jqwik.api.Tuple.of(1, Arbitraries.of(Kind.RESIZE, Kind.COME_NEARER)));
        Arbitrary<Integer> dates = Arbitraries.integers().between(0, 1);
        Arbitrary<Integer> numbers = Arbitraries.integers().between(0, 40);
        return net.jqwik.api.Combinators.combine(kinds, dates, numbers)
                .as(Step::new)
                .list()
                .ofMaxSize(80);
    }

    @Property(tries = 2000)
    void seats_are_never_oversold_and_the_ledger_replays_to_what_is_taken(@ForAll("histories") List<Step> history) {
        live(history, session -> {
            assertThat(session.taken()).isLessThanOrEqualTo(session.capacity().open());
            assertThat(session.ledgerSum()).isEqualTo(session.taken());
        });
    }

    @Property(tries = 2000)
    void nobody_is_passed_over_more_than_twice(@ForAll("histories") List<Step> history) {
        live(history, session -> assertThat(session.line()).allMatch(w -> w.passedOver() <= SeatRule.MOST_PASS_OVERS));
    }

    @Property(tries = 2000)
    void the_line_keeps_its_order_and_a_second_refill_moves_nothing(@ForAll("histories") List<Step> history) {
        live(history, session -> {
            assertThat(session.line()).extracting(SeatRule.Waiter::id).isSorted();
            assertThat(session.refill()).isEmpty();
        });
    }

    private static void live(List<Step> history, Consumer<SimulatedSession> holds) {
        List<SimulatedSession> dates =
                List.of(new SimulatedSession(Capacity.withWaitlist(8)), new SimulatedSession(Capacity.withWaitlist(5)));
        for (Step step : history) {
            run(dates.get(step.date()), dates.get(1 - step.date()), step);
            dates.forEach(holds);
        }
    }

    private static void run(SimulatedSession session, SimulatedSession other, Step step) {
        switch (step.kind()) {
            case REGISTER -> session.register(1 + step.number() % 4);
            case CANCEL -> session.cancel(step.number());
            case SHRINK -> session.shrink(step.number());
            case RESIZE -> session.resize(3 + step.number() % 12);
            case ACCEPT -> session.accept(step.number());
            case EXPIRE -> session.expire(step.number());
            case MOVE -> session.moveTo(other, step.number());
            case SWAP -> session.swapWith(other, step.number());
            case COME_NEARER -> session.comeNearer();
        }
    }
}
