package jollyroster.core.prices;

import java.util.ArrayList;
import java.util.List;

/** Which payments money goes back from when fewer people come than were paid for. */
public final class Refunds {

    private Refunds() {}

    /**
     * A payment that was made.
     *
     * @param people it was for, at one price each
     * @param returned for how many of them money has gone back
     */
    public record Paid(long id, int people, int returned, Price amount) {

        /** @throws IllegalArgumentException unless {@code 0 <= returned <= people} */
        public Paid {
            if (returned < 0 || returned > people) {
                throw new IllegalArgumentException("Returned for " + returned + " of " + people);
            }
        }

        private Price forPeople(int some) {
            return new Price(amount.minor() * some / people, amount.currency());
        }
    }

    /** A part of a payment that goes back. */
    public record Back(long payment, int people, Price amount) {}

    /**
     * What goes back so that {@code still} people are paid for and no more, from the last payment first. Nothing when no
     * more were paid for. Asked again after it went back, it is nothing.
     *
     * <p>Example: paid for 2, then for 1 more; only one still comes: back goes the second payment, and half of the first.
     *
     * @param payments first to last
     */
    public static List<Back> of(List<Paid> payments, int still) {
        int surplus = payments.stream().mapToInt(p -> p.people() - p.returned()).sum() - still;
        List<Back> back = new ArrayList<>();
        for (int i = payments.size() - 1; i >= 0 && surplus > 0; i--) {
            Paid paid = payments.get(i);
            int some = Math.min(surplus, paid.people() - paid.returned());
            if (some > 0) {
                back.add(new Back(paid.id(), some, paid.forPeople(some)));
                surplus -= some;
            }
        }
        return back;
    }
}
