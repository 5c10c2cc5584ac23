package jollyroster.core.dates;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.zone.ZoneRulesProvider;

/**
 * A time on the wall clock of a zone, which stays what it is when a government changes what the clocks do, and the instant
 * that follows from it today.
 */
public final class WallClock {

    private WallClock() {}

    /** The time on the wall, as it is kept: {@code 2027-03-16T19:00}. */
    public static String of(Instant instant, ZoneId zone) {
        return instant.atZone(zone).toLocalDateTime().toString();
    }

    /** The release of the rules that are known for a zone now, such as {@code 2025a}. Empty for a fixed offset. */
    public static String rules(ZoneId zone) {
        return zone instanceof ZoneOffset
                ? ""
                : ZoneRulesProvider.getVersions(zone.getId()).lastKey();
    }

    /**
     * The instant of a time on the wall by the rules that are known now. Where the time comes twice, the one it was before
     * stays if it still is one of the two.
     *
     * @param before the instant that followed from the rules known before
     */
    public static Instant instant(String wall, ZoneId zone, Instant before) {
        LocalDateTime time = LocalDateTime.parse(wall);
        for (ZoneOffset offset : zone.getRules().getValidOffsets(time)) {
            if (time.toInstant(offset).equals(before)) {
                return before;
            }
        }
        return time.atZone(zone).toInstant();
    }
}
