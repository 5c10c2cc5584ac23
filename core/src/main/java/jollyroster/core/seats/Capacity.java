package jollyroster.core.seats;

import java.util.OptionalInt;

/**
 * How many may come.
 *
 * @param seats one or more
 * @param keptBack seats the organiser holds for walk-ups, 0 to {@code seats}
 * @param waitlistAllowed whether a party that does not fit may wait
 * @param waitlistLimit the most parties that may wait; empty means no limit
 */
public record Capacity(int seats, int keptBack, boolean waitlistAllowed, OptionalInt waitlistLimit) {

    /** The most seats a session may have. */
    public static final int MOST_SEATS = 100_000;

    /** @throws IllegalArgumentException if a bound above is broken */
    public Capacity {
        if (seats < 1 || seats > MOST_SEATS) {
            throw new IllegalArgumentException("Seats must be 1 to " + MOST_SEATS + ": " + seats);
        }
        if (keptBack < 0 || keptBack > seats) {
            throw new IllegalArgumentException("Kept-back seats must be 0 to " + seats + ": " + keptBack);
        }
    }

    /** With a waitlist of any length and nothing kept back. */
    public static Capacity withWaitlist(int seats) {
        return new Capacity(seats, 0, true, OptionalInt.empty());
    }

    /** Without a waitlist and nothing kept back. */
    public static Capacity withoutWaitlist(int seats) {
        return new Capacity(seats, 0, false, OptionalInt.empty());
    }

    /** Seats that can be given to people who register. */
    public int open() {
        return seats - keptBack;
    }

    /**
     * Whether so many newcomers surely find room, whatever the order in which they come: all of them seats, or each at
     * least a place in the line.
     *
     * @param parties how many come
     * @param people how many seats they need in all
     */
    public boolean hasRoomFor(int parties, int people, SeatTally tally) {
        boolean seated = tally.owed() == 0 && people <= free(tally.taken());
        boolean waits =
                waitlistAllowed && (waitlistLimit.isEmpty() || tally.waiting() + parties <= waitlistLimit.getAsInt());
        return seated || waits;
    }

    /** Open seats that are not taken; never below zero, even when the session is over-full. */
    public int free(int taken) {
        return Math.max(0, open() - taken);
    }
}
