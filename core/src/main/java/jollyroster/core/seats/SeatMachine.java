package jollyroster.core.seats;

import static jollyroster.core.seats.RegistrationState.CALLED_UP;
import static jollyroster.core.seats.RegistrationState.CANCELLED;
import static jollyroster.core.seats.RegistrationState.DECLINED;
import static jollyroster.core.seats.RegistrationState.MAYBE;
import static jollyroster.core.seats.RegistrationState.REGISTERED;
import static jollyroster.core.seats.RegistrationState.UNCONFIRMED;
import static jollyroster.core.seats.RegistrationState.WAITLISTED;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Every way from one state of a registration to another. What stands in the table is allowed, under its rule; whatever does
 * not is refused as {@link Obstacle#NOT_POSSIBLE}. Decides only: whoever asks writes what was decided, with all that follows
 * from it, in the transaction in which it read the {@link Scene}.
 *
 * <p>Example: somebody unconfirmed who moves to another date is unconfirmed there too. Somebody who paid for one and brings
 * four more is unconfirmed until those are paid for; when the time runs out, one is registered again.
 */
public final class SeatMachine {

    private static final Map<Cell, SeatRules> TABLE = new HashMap<>();

    private SeatMachine() {}

    private record Cell(Optional<RegistrationState> state, SeatEvent event) {}

    static {
        on(null, SeatEvent.REGISTER, SeatRules.ASK);
        on(null, SeatEvent.ANSWER_YES, SeatRules.ASK);
        on(null, SeatEvent.ANSWER_MAYBE, SeatRules.become(MAYBE));
        on(null, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));

        on(UNCONFIRMED, SeatEvent.CONFIRM, SeatRules.CONFIRM);
        on(UNCONFIRMED, SeatEvent.PAY, SeatRules.PAY);
        on(UNCONFIRMED, SeatEvent.RUN_OUT, SeatRules.RUN_OUT);
        on(UNCONFIRMED, SeatEvent.RESIZE, SeatRules.RESIZE);
        on(UNCONFIRMED, SeatEvent.MOVE, SeatRules.MOVE);
        on(UNCONFIRMED, SeatEvent.ANSWER_YES, SeatRules.RESIZE);
        on(UNCONFIRMED, SeatEvent.ANSWER_MAYBE, SeatRules.become(MAYBE));
        on(UNCONFIRMED, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));
        on(UNCONFIRMED, SeatEvent.CANCEL, SeatRules.become(CANCELLED));

        on(REGISTERED, SeatEvent.CONFIRM, SeatRules.STAY);
        on(REGISTERED, SeatEvent.ACCEPT, SeatRules.STAY);
        on(REGISTERED, SeatEvent.RESIZE, SeatRules.RESIZE);
        on(REGISTERED, SeatEvent.MOVE, SeatRules.MOVE);
        on(REGISTERED, SeatEvent.SWAP, SeatRules.become(REGISTERED));
        on(REGISTERED, SeatEvent.ANSWER_YES, SeatRules.RESIZE);
        on(REGISTERED, SeatEvent.ANSWER_MAYBE, SeatRules.become(MAYBE));
        on(REGISTERED, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));
        on(REGISTERED, SeatEvent.CANCEL, SeatRules.become(CANCELLED));

        on(MAYBE, SeatEvent.CONFIRM, SeatRules.STAY);
        on(MAYBE, SeatEvent.RESIZE, SeatRules.RESIZE);
        on(MAYBE, SeatEvent.MOVE, SeatRules.become(MAYBE));
        on(MAYBE, SeatEvent.ANSWER_YES, SeatRules.ASK);
        on(MAYBE, SeatEvent.ANSWER_MAYBE, SeatRules.RESIZE);
        on(MAYBE, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));
        on(MAYBE, SeatEvent.CANCEL, SeatRules.become(CANCELLED));

        on(WAITLISTED, SeatEvent.CONFIRM, SeatRules.STAY);
        on(WAITLISTED, SeatEvent.ACCEPT, SeatRules.TAKE_WHEN_CLOSED);
        on(WAITLISTED, SeatEvent.CALL_UP, SeatRules.become(CALLED_UP));
        on(WAITLISTED, SeatEvent.SEAT, SeatRules.become(REGISTERED));
        on(WAITLISTED, SeatEvent.OVERRIDE, SeatRules.become(REGISTERED));
        on(WAITLISTED, SeatEvent.RESIZE, SeatRules.RESIZE);
        on(WAITLISTED, SeatEvent.MOVE, SeatRules.MOVE);
        on(WAITLISTED, SeatEvent.ANSWER_YES, SeatRules.RESIZE);
        on(WAITLISTED, SeatEvent.ANSWER_MAYBE, SeatRules.become(MAYBE));
        on(WAITLISTED, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));
        on(WAITLISTED, SeatEvent.CANCEL, SeatRules.become(CANCELLED));

        on(CALLED_UP, SeatEvent.CONFIRM, SeatRules.STAY);
        on(CALLED_UP, SeatEvent.ACCEPT, SeatRules.TAKE);
        on(CALLED_UP, SeatEvent.DECLINE, SeatRules.become(DECLINED));
        on(CALLED_UP, SeatEvent.RUN_OUT, SeatRules.RUN_OUT);
        on(CALLED_UP, SeatEvent.STAND_BACK, SeatRules.become(WAITLISTED));
        on(CALLED_UP, SeatEvent.OVERRIDE, SeatRules.become(REGISTERED));
        on(CALLED_UP, SeatEvent.RESIZE, SeatRules.RESIZE);
        on(CALLED_UP, SeatEvent.MOVE, SeatRules.MOVE);
        on(CALLED_UP, SeatEvent.ANSWER_YES, SeatRules.TAKE);
        on(CALLED_UP, SeatEvent.ANSWER_MAYBE, SeatRules.become(MAYBE));
        on(CALLED_UP, SeatEvent.ANSWER_NO, SeatRules.become(DECLINED));
        on(CALLED_UP, SeatEvent.CANCEL, SeatRules.become(CANCELLED));

        on(DECLINED, SeatEvent.RESTORE, SeatRules.SEATS_ONLY);
        on(DECLINED, SeatEvent.ANSWER_YES, SeatRules.COME_BACK);
        on(DECLINED, SeatEvent.ANSWER_MAYBE, SeatRules.backAs(MAYBE));
        on(DECLINED, SeatEvent.ANSWER_NO, SeatRules.STAY);

        on(CANCELLED, SeatEvent.RESTORE, SeatRules.SEATS_ONLY);
        on(CANCELLED, SeatEvent.PAY, SeatRules.PAID_LATE);
        on(CANCELLED, SeatEvent.ANSWER_YES, SeatRules.COME_BACK);
        on(CANCELLED, SeatEvent.ANSWER_MAYBE, SeatRules.backAs(MAYBE));
        on(CANCELLED, SeatEvent.ANSWER_NO, SeatRules.STAY);
    }

    private static void on(@Nullable RegistrationState state, SeatEvent event, SeatRules rule) {
        if (TABLE.put(new Cell(Optional.ofNullable(state), event), rule) != null) {
            throw new IllegalStateException("Twice in the table: " + state + ", " + event);
        }
    }

    /**
     * Decides what an event makes of a registration.
     *
     * @param party people in all there would be; 0 for as many as there are
     * @throws IllegalArgumentException if {@code party} is negative, or 0 for somebody who is not on the roster
     */
    public static Transition decide(Standing before, SeatEvent event, int party, Scene scene) {
        int wanted = party == 0 ? before.party() : party;
        if (wanted < 1) {
            throw new IllegalArgumentException("A party is one person or more: " + party);
        }
        SeatRules rule = TABLE.get(new Cell(before.state(), event));
        if (rule == null) {
            return new Transition.Refused(Obstacle.NOT_POSSIBLE);
        }
        return event.isTooLate(scene.passed())
                ? new Transition.Refused(Obstacle.TOO_LATE)
                : rule.apply(before, wanted, scene);
    }
}
