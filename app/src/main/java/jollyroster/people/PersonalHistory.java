package jollyroster.people;

import java.util.List;
import jollyroster.core.seats.RegistrationState;

/** Where a person is registered. */
public interface PersonalHistory {

    /** One registration of a person. @param party people in all */
    record Held(long registration, long session, RegistrationState state, int party) {}

    /** The registrations of a person, latest first. */
    List<Held> heldBy(long person);
}
