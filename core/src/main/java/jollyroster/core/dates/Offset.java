package jollyroster.core.dates;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;

/**
 * A distance from an anchor. Days and weeks are calendar days in the zone of the time they are applied to; minutes
 * and hours are elapsed time.
 *
 * <p>Sun 14 Mar 2027 12:00 in Halifax less {@code days(1)} is Sat 13 Mar 12:00 there, 23 hours earlier, because the
 * clocks change that night; less {@code hours(24)} it is Sat 13 Mar 11:00.
 *
 * @param amount zero or more
 */
public record Offset(int amount, Unit unit) {

    /** Units in which people say offsets. */
    public enum Unit {
        MINUTES(ChronoUnit.MINUTES),
        HOURS(ChronoUnit.HOURS),
        DAYS(ChronoUnit.DAYS),
        WEEKS(ChronoUnit.WEEKS);

        private final ChronoUnit chronoUnit;

        Unit(ChronoUnit chronoUnit) {
            this.chronoUnit = chronoUnit;
        }
    }

    /** @throws IllegalArgumentException if {@code amount} is negative */
    public Offset {
        if (amount < 0) {
            throw new IllegalArgumentException("An offset is zero or more: " + amount);
        }
    }

    public static Offset none() {
        return minutes(0);
    }

    public static Offset minutes(int amount) {
        return new Offset(amount, Unit.MINUTES);
    }

    public static Offset hours(int amount) {
        return new Offset(amount, Unit.HOURS);
    }

    public static Offset days(int amount) {
        return new Offset(amount, Unit.DAYS);
    }

    /** So many days, in weeks where they are whole. */
    public static Offset ofDays(int days) {
        return days > 0 && days % 7 == 0 ? weeks(days / 7) : days(days);
    }

    public static Offset weeks(int amount) {
        return new Offset(amount, Unit.WEEKS);
    }

    /** How long it is where the clocks do not change. */
    public Duration usually() {
        return unit.chronoUnit.getDuration().multipliedBy(amount);
    }

    public ZonedDateTime before(ZonedDateTime anchor) {
        return anchor.minus(amount, unit.chronoUnit);
    }

    public ZonedDateTime after(ZonedDateTime anchor) {
        return anchor.plus(amount, unit.chronoUnit);
    }
}
