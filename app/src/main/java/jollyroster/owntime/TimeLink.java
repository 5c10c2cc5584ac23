package jollyroster.owntime;

import java.time.LocalDate;
import java.util.Optional;
import jollyroster.core.dates.DayRange;
import jollyroster.core.door.LinkTokens.Link;

/**
 * A link that gives one person one time.
 *
 * @param label whom it is for
 * @param host who is to lead the time; empty for whoever the offering has
 * @param days when the time may be
 * @param registration made with it; empty while it is good
 */
public record TimeLink(
        Link link,
        long offering,
        String label,
        Optional<Long> host,
        DayRange days,
        Optional<Long> registration,
        boolean revoked) {

    public boolean isGood() {
        return registration.isEmpty() && !revoked;
    }

    /** Whether a time on this day may be had with it. */
    public boolean allows(LocalDate day) {
        return days.holds(day);
    }
}
