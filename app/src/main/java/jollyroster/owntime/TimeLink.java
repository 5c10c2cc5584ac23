package jollyroster.owntime;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.dates.DayRange;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.openhours.HostChoice;

/**
 * A link that gives one person one time.
 *
 * @param label whom it is for
 * @param hosts of whom one is to lead the time; nobody for whoever the offering has
 * @param days when the time may be
 * @param registration made with it; empty while it is good
 */
public record TimeLink(
        Link link,
        long offering,
        String label,
        Set<Long> hosts,
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

    /** Who may lead the time; empty for anybody, as where all lead together, since a link leaves nobody out there. */
    public Set<Long> leaders(HostChoice choice) {
        return choice == HostChoice.ALL_TOGETHER ? Set.of() : hosts;
    }

    /** The one who leads the time, if the link settles it. */
    public Optional<Long> host() {
        return hosts.size() == 1 ? hosts.stream().findFirst() : Optional.empty();
    }
}
