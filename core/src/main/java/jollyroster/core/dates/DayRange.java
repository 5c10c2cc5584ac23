package jollyroster.core.dates;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Days from one to another, both within.
 *
 * @param first no day before; empty for no limit
 * @param last no day after; empty for no limit
 */
public record DayRange(Optional<LocalDate> first, Optional<LocalDate> last) {

    public boolean holds(LocalDate day) {
        return first.map(from -> !day.isBefore(from)).orElse(true)
                && last.map(until -> !day.isAfter(until)).orElse(true);
    }

    /** Whether the last day is not before the first, so that there is a day in it. */
    public boolean isOrdered() {
        return first.flatMap(from -> last.map(until -> !until.isBefore(from))).orElse(true);
    }
}
