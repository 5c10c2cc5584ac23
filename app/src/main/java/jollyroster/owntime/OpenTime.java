package jollyroster.owntime;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.List;
import jollyroster.programme.HostQueries.Host;

/**
 * A time that may be picked.
 *
 * @param start in the zone of the offering
 * @param hosts who could lead it, or who all lead it together
 * @param free how many seats it has
 */
public record OpenTime(ZonedDateTime start, Duration length, List<Host> hosts, int free) {

    public OpenTime {
        hosts = List.copyOf(hosts);
    }

    public ZonedDateTime end() {
        return start.plus(length);
    }
}
