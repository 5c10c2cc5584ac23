package jollyroster.programme;

import java.util.OptionalInt;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.Leave;

/**
 * How registrations are taken and what people may change themselves.
 *
 * @param waitlistLimit the most parties that may wait for a date; empty for no limit
 * @param fullName whether a name must have two words
 * @param emailConfirmed whether seats are only held until a link in a letter is followed
 * @param changesMinutes how long before the start people can no longer change what they registered
 * @param moves whether and until when they may move to another date or time
 * @param cancels whether and until when they may give back seats they hold
 * @param afterText what is said after registering; empty for nothing
 * @param afterAddress an https address people are offered after registering; empty for none
 * @param rsvp whether people answer yes, maybe or no
 * @param companyShown whether people see who comes
 * @param tell when the organiser is written to about answers
 * @param price of a seat
 * @param refund what cancelling means for the money
 * @param fixedOncePaid whether people can change nothing themselves any more once they have paid
 */
public record SignUpRules(
        FreedSeats freedSeats,
        OptionalInt waitlistLimit,
        PhoneRule phone,
        boolean fullName,
        boolean emailConfirmed,
        int changesMinutes,
        Leave moves,
        Leave cancels,
        String afterText,
        String afterAddress,
        boolean rsvp,
        boolean companyShown,
        Tell tell,
        Price price,
        RefundRule refund,
        boolean fixedOncePaid) {

    /** Whether seats are only held until somebody does something about them. */
    public boolean isHeld() {
        return emailConfirmed || isPaid();
    }

    /** Whether seats are only held until they are paid for. */
    public boolean isPaid() {
        return !price.isFree() && !rsvp;
    }
}
