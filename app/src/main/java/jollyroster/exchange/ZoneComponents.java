package jollyroster.exchange;

import biweekly.component.DaylightSavingsTime;
import biweekly.component.Observance;
import biweekly.component.StandardTime;
import biweekly.component.VTimezone;
import biweekly.util.DateTimeComponents;
import biweekly.util.UtcOffset;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.zone.ZoneOffsetTransition;
import java.time.zone.ZoneRules;
import java.util.Locale;
import java.util.Optional;

/**
 * Writes the rules of a zone into a calendar (VTIMEZONE, RFC 5545, 3.6.5), so that entries keep their wall clock wherever they
 * are read, even after a government has changed its clocks. Each change of the clocks within the time that is asked for is
 * written out by its date; there are two a year at most, and a calendar spans a year or two.
 */
final class ZoneComponents {

    private static final DateTimeFormatter ABBREVIATION = DateTimeFormatter.ofPattern("zzz", Locale.ENGLISH);
    private static final LocalDateTime ALWAYS = LocalDateTime.of(1970, 1, 1, 0, 0);

    private final ZoneId zone;
    private final ZoneRules rules;
    private final VTimezone component;

    private ZoneComponents(ZoneId zone) {
        this.zone = zone;
        this.rules = zone.getRules();
        this.component = new VTimezone(zone.getId());
    }

    /**
     * The rules of a zone from one moment to another.
     *
     * @return empty for a fixed offset, which needs no rules: times are written in UTC
     */
    static Optional<VTimezone> of(ZoneId zone, Instant from, Instant until) {
        if (zone.normalized() instanceof ZoneOffset) {
            return Optional.empty();
        }
        ZoneComponents rules = new ZoneComponents(zone);
        rules.write(from, until);
        return Optional.of(rules.component);
    }

    private void write(Instant from, Instant until) {
        ZoneOffsetTransition change = rules.previousTransition(from.plusNanos(1));
        if (change == null) {
            ZoneOffset ever = rules.getOffset(from);
            observe(from, ALWAYS, ever, ever);
        } else {
            observe(change);
        }
        Instant at = from;
        for (change = rules.nextTransition(at);
                change != null && !change.getInstant().isAfter(until);
                change = rules.nextTransition(at)) {
            observe(change);
            at = change.getInstant();
        }
    }

    private void observe(ZoneOffsetTransition change) {
        observe(change.getInstant(), change.getDateTimeBefore(), change.getOffsetBefore(), change.getOffsetAfter());
    }

    private void observe(Instant at, LocalDateTime onset, ZoneOffset before, ZoneOffset after) {
        if (rules.isDaylightSavings(at)) {
            DaylightSavingsTime summer = new DaylightSavingsTime();
            component.addDaylightSavingsTime(summer);
            fill(summer, at, onset, before, after);
        } else {
            StandardTime winter = new StandardTime();
            component.addStandardTime(winter);
            fill(winter, at, onset, before, after);
        }
    }

    private void fill(Observance some, Instant at, LocalDateTime onset, ZoneOffset before, ZoneOffset after) {
        some.setDateStart(new DateTimeComponents(
                onset.getYear(),
                onset.getMonthValue(),
                onset.getDayOfMonth(),
                onset.getHour(),
                onset.getMinute(),
                onset.getSecond(),
                false));
        some.setTimezoneOffsetFrom(new UtcOffset(before.getTotalSeconds() * 1000L));
        some.setTimezoneOffsetTo(new UtcOffset(after.getTotalSeconds() * 1000L));
        some.addTimezoneName(ABBREVIATION.format(at.atZone(zone)));
    }
}
