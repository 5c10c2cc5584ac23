package jollyroster.core.openhours;

import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Spans;

/**
 * What became of the open hours of a host: given to people, taken up otherwise, or idle.
 *
 * @param open in all
 * @param given of them to people who picked a time
 * @param otherwise taken up by other sessions and busy calendars
 */
public record HoursUsed(Duration open, Duration given, Duration otherwise) {

    /** @param open stretches, none of which overlap @param given times that were picked @param otherwise what else takes the host up */
    public static HoursUsed of(List<Interval> open, Collection<Interval> given, Collection<Interval> otherwise) {
        Duration all = open.stream().map(Interval::length).reduce(Duration.ZERO, Duration::plus);
        Duration picked = Spans.covered(open, given);
        Duration both = Spans.covered(
                open, Stream.concat(given.stream(), otherwise.stream()).toList());
        return new HoursUsed(all, picked, both.minus(picked));
    }

    public Duration idle() {
        return open.minus(given).minus(otherwise);
    }
}
