package jollyroster.owntime;

import java.time.LocalDate;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;

/**
 * A link that gives one person one time.
 *
 * @param label whom it is for
 * @param host who is to lead the time; empty for whoever the offering has
 * @param first no day before; empty for no limit
 * @param last no day after; empty for no limit
 * @param registration made with it; empty while it is good
 */
public record TimeLink(
        Link link,
        long offering,
        String label,
        Optional<Long> host,
        Optional<LocalDate> first,
        Optional<LocalDate> last,
        Optional<Long> registration,
        boolean revoked) {

    public boolean isGood() {
        return registration.isEmpty() && !revoked;
    }

    /** Whether a time on this day may be had with it. */
    public boolean allows(LocalDate day) {
        return first.map(from -> !day.isBefore(from)).orElse(true)
                && last.map(until -> !day.isAfter(until)).orElse(true);
    }
}
