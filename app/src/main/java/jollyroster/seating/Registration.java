package jollyroster.seating;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.prices.Price;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Actor;

/**
 * One person, with companions, on a session.
 *
 * @param party people in all
 * @param passedOver how often others went before it on the waitlist
 * @param generation of its personal links
 * @param phone E.164, or empty
 * @param zone the person's own
 */
public record Registration(
        long id,
        long session,
        long person,
        RegistrationState state,
        int party,
        int passedOver,
        int generation,
        String name,
        String email,
        String phone,
        ZoneId zone,
        Stamps stamps,
        Hold hold,
        Remarks remarks) {

    /** When it began and last changed. @param sequence counts up with every change that its calendar entry must follow */
    public record Stamps(Instant registeredAt, Instant changedAt, int sequence) {}

    public Instant registeredAt() {
        return stamps.registeredAt();
    }

    /** Whether nothing is due any more for some of the party at least. */
    public boolean isSettled() {
        return hold.settled() > 0;
    }

    /** What is to be paid while seats are held for it; free when nothing is. @param each the price of a seat */
    public Price due(Price each) {
        return each.times(state == RegistrationState.UNCONFIRMED ? Math.max(0, party - hold.settled()) : 0);
    }

    /** The person as whoever acts, by the link of this registration. */
    public Actor self() {
        return new Actor.Person(name, id);
    }

    /**
     * What is held or offered.
     *
     * @param until by when it must be confirmed or answered; empty when nothing is
     * @param racing whether the same seats are offered to others too
     * @param settled for how many people nothing is due any more
     */
    public record Hold(Optional<Instant> until, boolean racing, int settled) {}

    /**
     * What else is known.
     *
     * @param why it was given back, if anybody said; else empty
     * @param companions the names of companions, as far as they are known
     * @param reminded whether the person wants reminders
     * @param note the organiser's
     */
    public record Remarks(String why, List<String> companions, boolean reminded, String note, boolean marked) {
        public Remarks {
            companions = List.copyOf(companions);
        }
    }
}
