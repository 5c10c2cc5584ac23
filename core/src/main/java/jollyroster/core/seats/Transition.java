package jollyroster.core.seats;

import java.util.Optional;

/** What an event makes of a registration. */
public sealed interface Transition {

    /**
     * It is in a state now, perhaps in the one it was in, with another party.
     *
     * @param party people in all
     * @param passesOver whether it took seats before others who wait; each that could ever fit counts one pass-over more
     * @param waits why it waits, when it has just joined the line
     */
    record Becomes(RegistrationState state, int party, boolean passesOver, Optional<Arrival.Waitlisted> waits)
            implements Transition {}

    /** It is as it was, and that is fine: what was asked for holds already. */
    record Stays() implements Transition {}

    /** It is as it was. */
    record Refused(Obstacle because) implements Transition {}
}
