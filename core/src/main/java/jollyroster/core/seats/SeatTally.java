package jollyroster.core.seats;

/**
 * What the arrival of a party needs to know about a session.
 *
 * @param taken seats of parties that are registered, held while unconfirmed, or called up with the seats held
 * @param waiting parties on the waitlist or racing for seats that are offered to several
 * @param owed how many of those come before any newcomer: they race, or have been passed over as often as is allowed and
 *     could ever fit
 */
public record SeatTally(int taken, int waiting, int owed) {

    public static final SeatTally EMPTY = new SeatTally(0, 0, 0);

    /** @throws IllegalArgumentException if a number is negative or more are owed than wait */
    public SeatTally {
        if (taken < 0 || waiting < 0 || owed < 0 || owed > waiting) {
            throw new IllegalArgumentException(
                    "Not a tally: " + taken + " taken, " + waiting + " waiting, " + owed + " owed");
        }
    }
}
