package jollyroster.seating;

import java.time.Instant;
import java.util.Map;
import jollyroster.programme.Session;

/** The money of registrations, as whoever takes it keeps it. Told in the same write of seats given up or held again. */
public interface Takings {

    /** What becomes of the money for seats that are given up, as amounts in words; empty for none. */
    record Money(String back, String kept) {
        static final Money NONE = new Money("", "");
    }

    /**
     * Fewer seats are held than were paid for.
     *
     * @param still for how many people seats are held
     * @param whole whether everything goes back, whatever the offering's rule says
     * @param leaves when what goes back leaves; until then it can be withdrawn
     */
    Money givenUp(long registration, int still, boolean whole, Session book, Instant leaves, Instant now);

    /**
     * Seats that were given up are held again: of what has not left yet, as much stays as these seats cost. What goes back for
     * others, given up before, goes back all the same.
     *
     * @param held for how many people seats are held now, by registration
     * @return for how many people is paid now, of the registrations whose money stays
     */
    Map<Long, Integer> heldAgain(Map<Long, Integer> held, Instant now);
}
