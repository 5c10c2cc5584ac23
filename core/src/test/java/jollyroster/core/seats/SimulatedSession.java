package jollyroster.core.seats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A session in memory that applies what {@link SeatRule} decides, as the store does. */
final class SimulatedSession {

    private final Map<Long, Integer> seated = new LinkedHashMap<>();
    private final List<SeatRule.Waiter> line = new ArrayList<>();
    private Capacity capacity;
    private long lastId;

    SimulatedSession(Capacity capacity) {
        this.capacity = capacity;
    }

    void register(int size) {
        long id = ++lastId;
        Arrival arrival = SeatRule.arrive(capacity, tally(), size);
        if (arrival instanceof Arrival.Seated) {
            line.replaceAll(w -> w.size() <= capacity.open() ? bumped(w) : w);
            seated.put(id, size);
        } else if (arrival instanceof Arrival.Waitlisted) {
            line.add(new SeatRule.Waiter(id, size, 0));
        }
    }

    void cancel(int index) {
        List<Long> everybody = new ArrayList<>(seated.keySet());
        line.forEach(waiter -> everybody.add(waiter.id()));
        if (everybody.isEmpty()) {
            return;
        }
        Long gone = everybody.get(Math.floorMod(index, everybody.size()));
        seated.remove(gone);
        line.removeIf(waiter -> waiter.id() == gone);
        refill();
    }

    /** Raises or lowers the seats, but not below what is taken. */
    void resize(int seats) {
        if (seats >= Math.max(1, taken())) {
            capacity = Capacity.withWaitlist(seats);
            refill();
        }
    }

    List<SeatRule.Move> refill() {
        List<SeatRule.Move> moves = SeatRule.refill(capacity, taken(), line);
        moves.forEach(this::apply);
        return moves;
    }

    private void apply(SeatRule.Move move) {
        SeatRule.Waiter waiter =
                line.stream().filter(w -> w.id() == move.party()).findFirst().orElseThrow();
        if (move instanceof SeatRule.Move.Seat) {
            line.remove(waiter);
            seated.put(waiter.id(), waiter.size());
        } else {
            line.set(line.indexOf(waiter), bumped(waiter));
        }
    }

    private static SeatRule.Waiter bumped(SeatRule.Waiter w) {
        return new SeatRule.Waiter(w.id(), w.size(), w.passedOver() + 1);
    }

    int taken() {
        return seated.values().stream().mapToInt(Integer::intValue).sum();
    }

    Capacity capacity() {
        return capacity;
    }

    List<SeatRule.Waiter> line() {
        return line;
    }

    private SeatTally tally() {
        int owed = (int) line.stream().filter(w -> w.isOwed(capacity)).count();
        return new SeatTally(taken(), line.size(), owed);
    }
}
