package jollyroster.core.seats;

import java.util.Optional;

/**
 * Where a registration stands before something happens to it.
 *
 * @param state empty when it is not there yet
 * @param party people in all; 0 when it is not there yet
 * @param racing whether the seats it is called up for are offered to others too
 * @param settled for how many people nothing is due any more
 * @param endedByTeam whether it was ended by the team rather than by the person or by time
 */
public record Standing(Optional<RegistrationState> state, int party, boolean racing, int settled, boolean endedByTeam) {

    /** Somebody who is not on the roster. */
    public static final Standing NOBODY = new Standing(Optional.empty(), 0, false, 0, false);

    /** @throws IllegalArgumentException if a number is negative, or it races without being called up */
    public Standing {
        boolean called = state.filter(s -> s == RegistrationState.CALLED_UP).isPresent();
        if (party < 0 || settled < 0 || racing && !called || state.isPresent() == (party == 0)) {
            throw new IllegalArgumentException("Not a registration: " + state + ", party " + party + ", racing "
                    + racing + ", settled " + settled);
        }
    }

    /** A registration in a state, with nothing settled and nothing special. */
    public static Standing of(RegistrationState state, int party) {
        return new Standing(Optional.of(state), party, false, 0, false);
    }

    /** The same with more people settled for. */
    public Standing settledFor(int people) {
        return new Standing(state, party, racing, people, endedByTeam);
    }

    /** Seats it takes now: those of a racing party are not taken by anybody yet. */
    public int seats() {
        return state.filter(RegistrationState::takesSeats).isPresent() && !racing ? party : 0;
    }

    boolean waits() {
        return state.filter(s -> s == RegistrationState.WAITLISTED).isPresent() || racing;
    }
}
