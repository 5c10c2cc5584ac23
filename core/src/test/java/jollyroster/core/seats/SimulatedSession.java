package jollyroster.core.seats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A session in memory that applies what {@link SeatRule} decides, as the store does, and keeps a ledger of it. */
final class SimulatedSession {

    private final Map<Long, Integer> seated = new LinkedHashMap<>();
    private final Map<Long, Integer> called = new LinkedHashMap<>();
    private final Map<Long, SeatRule.Waiter> racing = new LinkedHashMap<>();
    private final List<SeatRule.Waiter> line = new ArrayList<>();
    private final List<Integer> ledger = new ArrayList<>();
    private Capacity capacity;
    private CallUp.Way way = CallUp.Way.SEAT;
    private long lastId;

    SimulatedSession(Capacity capacity) {
        this.capacity = capacity;
    }

    void register(int size) {
        arrive(++lastId, size);
    }

    private void arrive(long id, int size) {
        Arrival arrival = SeatRule.arrive(capacity, tally(), size);
        if (arrival instanceof Arrival.Seated) {
            line.replaceAll(w -> w.size() <= capacity.open() ? bumped(w) : w);
            take(seated, id, size);
        } else if (arrival instanceof Arrival.Waitlisted) {
            line.add(new SeatRule.Waiter(id, size, 0));
            refill();
        }
    }

    private void take(Map<Long, Integer> where, long id, int size) {
        where.put(id, size);
        ledger.add(size);
    }

    private void free(Map<Long, Integer> where, long id) {
        Integer size = where.remove(id);
        if (size != null) {
            ledger.add(-size);
        }
    }

    void cancel(int index) {
        any(index, everybody()).ifPresent(this::leave);
    }

    private void leave(long id) {
        free(seated, id);
        free(called, id);
        racing.remove(id);
        line.removeIf(waiter -> waiter.id() == id);
        refill();
    }

    /** Somebody seated or waiting comes with one fewer. */
    void shrink(int index) {
        any(index, everybody()).ifPresent(id -> {
            if (seated.getOrDefault(id, 1) > 1) {
                seated.merge(id, -1, Integer::sum);
                ledger.add(-1);
            }
            line.replaceAll(
                    w -> w.id() == id && w.size() > 1 ? new SeatRule.Waiter(id, w.size() - 1, w.passedOver()) : w);
            refill();
        });
    }

    void accept(int index) {
        any(index, calledUp()).ifPresent(id -> {
            if (called.containsKey(id)) {
                seated.put(id, called.remove(id));
            } else {
                win(racing.get(id));
            }
        });
    }

    private void win(SeatRule.Waiter racer) {
        if (racer.size() <= capacity.free(taken())) {
            racing.remove(racer.id());
            take(seated, racer.id(), racer.size());
        }
        backToTheLine(SeatRule.outrun(capacity, taken(), List.copyOf(racing.values())));
        refill();
    }

    private void backToTheLine(List<SeatRule.Waiter> outrun) {
        outrun.forEach(racer -> {
            racing.remove(racer.id());
            line.add(racer);
        });
        line.sort(java.util.Comparator.comparing(SeatRule.Waiter::id));
    }

    void expire(int index) {
        any(index, calledUp()).ifPresent(this::leave);
    }

    /** Raises or lowers the seats, but not below what is taken. */
    void resize(int seats) {
        if (seats >= Math.max(1, taken())) {
            capacity = Capacity.withWaitlist(seats);
            backToTheLine(SeatRule.outrun(capacity, taken(), List.copyOf(racing.values())));
            refill();
        }
    }

    void comeNearer() {
        way = switch (way) {
            case SEAT -> CallUp.Way.CALL;
            case CALL, RACE, NOBODY -> CallUp.Way.RACE;
        };
        refill();
    }

    /** Moves somebody seated here to the other session: both or neither. */
    void moveTo(SimulatedSession other, int index) {
        any(index, List.copyOf(seated.keySet())).ifPresent(id -> {
            int size = seated.get(id);
            if (SeatRule.arrive(other.capacity, other.tally(), size) instanceof Arrival.Seated) {
                other.arrive(++other.lastId, size);
                leave(id);
            }
        });
    }

    /** Two parties of one size change places. */
    void swapWith(SimulatedSession other, int index) {
        any(index, List.copyOf(seated.keySet()))
                .ifPresent(id -> other.seated.entrySet().stream()
                        .filter(e -> e.getValue().equals(seated.get(id)))
                        .findFirst()
                        .ifPresent(e -> {
                            int size = e.getValue();
                            other.seated.remove(e.getKey());
                            seated.remove(id);
                            seated.put(++lastId, size);
                            other.seated.put(++other.lastId, size);
                        }));
    }

    private static Optional<Long> any(int index, List<Long> ids) {
        return ids.isEmpty() ? Optional.empty() : Optional.of(ids.get(Math.floorMod(index, ids.size())));
    }

    private List<Long> everybody() {
        List<Long> everybody = new ArrayList<>(seated.keySet());
        everybody.addAll(calledUp());
        line.forEach(waiter -> everybody.add(waiter.id()));
        return everybody;
    }

    private List<Long> calledUp() {
        List<Long> up = new ArrayList<>(called.keySet());
        up.addAll(racing.keySet());
        return up;
    }

    List<SeatRule.Move> refill() {
        List<SeatRule.Move> moves = SeatRule.refill(capacity, taken(), line, way);
        moves.forEach(this::apply);
        return moves;
    }

    private void apply(SeatRule.Move move) {
        SeatRule.Waiter waiter =
                line.stream().filter(w -> w.id() == move.party()).findFirst().orElseThrow();
        if (move instanceof SeatRule.Move.PassOver) {
            line.set(line.indexOf(waiter), bumped(waiter));
            return;
        }
        line.remove(waiter);
        if (way == CallUp.Way.RACE) {
            racing.put(waiter.id(), waiter);
        } else {
            take(way == CallUp.Way.CALL ? called : seated, waiter.id(), waiter.size());
        }
    }

    private static SeatRule.Waiter bumped(SeatRule.Waiter w) {
        return new SeatRule.Waiter(w.id(), w.size(), w.passedOver() + 1);
    }

    int taken() {
        return sum(seated) + sum(called);
    }

    private static int sum(Map<Long, Integer> parties) {
        return parties.values().stream().mapToInt(Integer::intValue).sum();
    }

    int ledgerSum() {
        return ledger.stream().mapToInt(Integer::intValue).sum();
    }

    Capacity capacity() {
        return capacity;
    }

    List<SeatRule.Waiter> line() {
        return line;
    }

    private SeatTally tally() {
        int owed = (int) line.stream().filter(w -> w.isOwed(capacity)).count() + racing.size();
        return new SeatTally(taken(), line.size() + racing.size(), owed);
    }
}
