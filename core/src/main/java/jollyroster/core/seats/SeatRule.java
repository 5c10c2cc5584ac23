package jollyroster.core.seats;

import java.util.ArrayList;
import java.util.List;

/**
 * The one rule by which seats are given. It decides; whoever calls it writes what it decided in the same transaction in
 * which it read the tally.
 *
 * <p>Waiting parties stand in order of time. A free seat goes to the first waiting party that fits. A party may be
 * passed over at most {@value #MOST_PASS_OVERS} times; then the line waits for it and free seats are owed to it. A
 * waiting party larger than the session's open seats (which happens when seats are lowered) can never fit: it is
 * neither passed over nor owed anything, so it does not block the line.
 *
 * <p>Example: 8 seats, taken 2+2+1+1+1+1, waiting A(3), B(1), C(2). A "2" leaves: A is passed over once and B is
 * seated; C does not fit in the seat left, and stands behind B, so it is not passed over. A newcomer of 1 takes the last
 * seat and passes over A (twice now) and C (once). From now on A is owed: the next newcomer waits even while seats are
 * free, until 3 are free for A.
 */
public final class SeatRule {

    /** How often a waiting party may be passed over. */
    public static final int MOST_PASS_OVERS = 2;

    private SeatRule() {}

    /**
     * A party on the waitlist.
     *
     * @param id whatever the caller knows it by
     * @param size people in the party, one or more
     * @param passedOver how often others went before it
     */
    public record Waiter(long id, int size, int passedOver) {

        public Waiter {
            if (size < 1 || passedOver < 0) {
                throw new IllegalArgumentException("Not a waiting party: size " + size + ", passed over " + passedOver);
            }
        }

        boolean isOwed(Capacity capacity) {
            return passedOver >= MOST_PASS_OVERS && size <= capacity.open();
        }
    }

    /** One thing a refill decided, in the order in which it was decided. */
    public sealed interface Move {
        long party();

        /** The party is given its seats. */
        record Seat(long party) implements Move {}

        /** The party is called up: its seats are held for it, or offered to several at once. */
        record Call(long party) implements Move {}

        /**
         * The party was passed over.
         *
         * @param times how often in all, this time included
         */
        record PassOver(long party, int times) implements Move {}
    }

    /**
     * Decides about a party that asks for seats, with everybody waiting before it.
     *
     * @param size people in the party, one or more
     * @throws IllegalArgumentException if {@code size} is below one
     */
    public static Arrival arrive(Capacity capacity, SeatTally tally, int size) {
        if (size < 1) {
            throw new IllegalArgumentException("A party is one person or more: " + size);
        }
        if (size > capacity.open()) {
            return new Arrival.Refused(Arrival.Refusal.LARGER_THAN_SESSION);
        }
        boolean fits = size <= capacity.free(tally.taken());
        if (fits && tally.owed() == 0) {
            return new Arrival.Seated(tally.waiting() > 0);
        }
        return join(capacity, tally, fits ? Arrival.Waiting.OWED_TO_OTHERS : Arrival.Waiting.DOES_NOT_FIT);
    }

    private static Arrival join(Capacity capacity, SeatTally tally, Arrival.Waiting because) {
        if (!capacity.waitlistAllowed()) {
            return new Arrival.Refused(Arrival.Refusal.FULL_WITHOUT_WAITLIST);
        }
        if (capacity.waitlistLimit().isPresent()
                && tally.waiting() >= capacity.waitlistLimit().getAsInt()) {
            return new Arrival.Refused(Arrival.Refusal.WAITLIST_FULL);
        }
        return new Arrival.Waitlisted(tally.waiting() + 1, because);
    }

    /**
     * Gives free seats to the line until nothing moves. Run it again on its own outcome and it returns nothing.
     *
     * <p>Where parties race, all that fit into the free seats are called, up to the first that is owed and does not fit;
     * nobody is passed over, because nobody has the seat yet.
     *
     * @param taken seats taken before the refill; those of racing parties are not
     * @param line the waiting parties in order
     * @param way how seats are given now
     * @return what happens, in order; empty when nothing moves
     */
    public static List<Move> refill(Capacity capacity, int taken, List<Waiter> line, CallUp.Way way) {
        int free = capacity.free(taken);
        return switch (way) {
            case SEAT -> give(capacity, free, line, false);
            case CALL -> give(capacity, free, line, true);
            case RACE -> race(capacity, free, line);
            case NOBODY -> List.of();
        };
    }

    private static List<Move> give(Capacity capacity, int freeNow, List<Waiter> line, boolean call) {
        List<Move> moves = new ArrayList<>();
        List<Waiter> waiting = new ArrayList<>(line);
        int free = freeNow;
        for (int next = firstThatMayGo(capacity, free, waiting);
                next >= 0;
                next = firstThatMayGo(capacity, free, waiting)) {
            passOver(capacity, waiting, next, moves);
            Waiter chosen = waiting.remove(next);
            moves.add(call ? new Move.Call(chosen.id()) : new Move.Seat(chosen.id()));
            free -= chosen.size();
        }
        return List.copyOf(moves);
    }

    private static List<Move> race(Capacity capacity, int free, List<Waiter> line) {
        List<Move> moves = new ArrayList<>();
        for (Waiter waiter : line) {
            if (waiter.size() <= free) {
                moves.add(new Move.Call(waiter.id()));
            } else if (waiter.isOwed(capacity)) {
                break;
            }
        }
        return List.copyOf(moves);
    }

    /** Those who raced and can no longer have seats, because others were faster; they keep their place in the line. */
    public static List<Waiter> outrun(Capacity capacity, int taken, List<Waiter> racing) {
        int free = capacity.free(taken);
        return racing.stream().filter(racer -> racer.size() > free).toList();
    }

    private static int firstThatMayGo(Capacity capacity, int free, List<Waiter> waiting) {
        for (int i = 0; i < waiting.size() && free > 0; i++) {
            Waiter waiter = waiting.get(i);
            if (waiter.size() <= free) {
                return i;
            }
            if (waiter.isOwed(capacity)) {
                return -1;
            }
        }
        return -1;
    }

    private static void passOver(Capacity capacity, List<Waiter> waiting, int before, List<Move> moves) {
        for (int i = 0; i < before; i++) {
            Waiter passed = waiting.get(i);
            if (passed.size() <= capacity.open()) {
                waiting.set(i, new Waiter(passed.id(), passed.size(), passed.passedOver() + 1));
                moves.add(new Move.PassOver(passed.id(), passed.passedOver() + 1));
            }
        }
    }
}
