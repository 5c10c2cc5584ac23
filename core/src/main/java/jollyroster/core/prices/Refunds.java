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

    /** Money that is about to go back. @param people for how many of a payment */
    public record Leaving(long refund, int people) {}

    /** What stays after all. @param refunds that do not leave @param people for how many is paid then */
    public record Held(List<Long> refunds, int people) {}

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

    /**
     * What stays of the money about to go back when seats are held again: the latest first, until everybody is paid for. A
     * part goes or stays as a whole, so that more may be paid for than are held; nothing stays when enough is paid already.
     *
     * <p>Example: paid for 3 in one, of which first 1 and then 2 are about to go back; held again for 2: the two stay.
     *
     * @param payments what is left of them, with what leaves already taken off
     * @param leaving first to last
     */
    public static Held heldAgain(List<Paid> payments, List<Leaving> leaving, int people) {
        int covered = payments.stream().mapToInt(p -> p.people() - p.returned()).sum();
        List<Long> staying = new ArrayList<>();
        for (int i = leaving.size() - 1; i >= 0 && covered < people; i--) {
            staying.add(leaving.get(i).refund());
            covered += leaving.get(i).people();
        }
        return new Held(List.copyOf(staying), covered);
    }
}
