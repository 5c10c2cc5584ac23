package jollyroster.exchange;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TimeZone;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Times;

/**
 * The zones that calendars name (TZID, RFC 5545, section 3.2.19). They need not be those of the IANA database: other systems
 * have names of their own, put something before them, or give only rules. A zone is found by its name, else by the name that
 * CLDR's windowsZones gives for it, else by the rules that came with it: whichever zone keeps the same clock in the window
 * that is read.
 */
final class CalendarZones {

    private static final Duration SAMPLED_EVERY = Duration.ofHours(12);
    private static final Duration DAY = Duration.ofDays(1);
    private final Interval window;
    private final ZoneId home;
    private final Map<String, Optional<ZoneId>> known = new HashMap<>();

    /** @param home tried first where several keep the same clock */
    CalendarZones(Interval window, ZoneId home) {
        this.window = window;
        this.home = home;
    }

    /**
     * The zone of a name.
     *
     * @param rules what the calendar says of the zone (VTIMEZONE), if anything
     * @return empty when it cannot be told
     */
    Optional<ZoneId> of(String name, Optional<TimeZone> rules) {
        return known.computeIfAbsent(name, n -> byName(n).or(() -> rules.flatMap(this::bySameClock)));
    }

    private static Optional<ZoneId> byName(String name) {
        String plain = name.strip().replaceAll("^\"|\"$", "");
        return Times.zone(plain)
                .or(() -> byLastWords(plain))
                .or(() -> Times.zone(plain.replace('-', '/')))
                .or(() -> Optional.ofNullable(com.ibm.icu.util.TimeZone.getIDForWindowsID(plain, "001"))
                        .flatMap(Times::zone));
    }

    /** Such as {@code /example.org/20270101_1/America/Argentina/Salta}. */
    private static Optional<ZoneId> byLastWords(String name) {
        String[] words = name.split("/");
        return Stream.of(3, 2)
                .filter(n -> words.length > n)
                .map(n -> Arrays.stream(words).skip(words.length - n).collect(Collectors.joining("/")))
                .flatMap(last -> Times.zone(last).stream())
                .findFirst();
    }

    private Optional<ZoneId> bySameClock(TimeZone rules) {
        return Stream.concat(
                        Stream.of(home),
                        new TreeSet<>(ZoneId.getAvailableZoneIds())
                                .stream().filter(id -> id.contains("/")).flatMap(id -> Times.zone(id).stream()))
                .filter(zone -> isSameClock(zone, rules))
                .findFirst();
    }

    /** The reader of rules is not sure of the hour on the day of a change. */
    private static boolean isNearChange(ZoneId zone, Instant at) {
        ZoneOffsetTransition next = zone.getRules().nextTransition(at.minus(DAY));
        return next != null && next.getInstant().isBefore(at.plus(DAY));
    }

    private boolean isSameClock(ZoneId zone, TimeZone rules) {
        for (Instant at = window.start(); at.isBefore(window.end()); at = at.plus(SAMPLED_EVERY)) {
            int offset = zone.getRules().getOffset(at).getTotalSeconds();
            boolean same = offset * 1000L == rules.getOffset(at.toEpochMilli());
            if (!same && !isNearChange(zone, at)) {
                return false;
            }
        }
        return true;
    }
}
