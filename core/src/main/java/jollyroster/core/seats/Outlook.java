package jollyroster.core.seats;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;

/** Whether a session that needs a minimum number of people will run. */
public enum Outlook {
    /** No minimum is set. */
    OPEN,
    /** The minimum is reached. */
    RUNS,
    /** The minimum is not reached and there is time. */
    AT_RISK,
    /** The minimum is not reached and today is the day to decide. */
    DECIDE_TODAY,
    /** The minimum is not reached and the day to decide has passed. */
    OVERDUE;

    /**
     * What can be said now.
     *
     * @param minimum people needed; 0 for no minimum
     * @param taken seats taken, companions included
     * @param start of the session; the decision is due {@code decideDays} calendar days before, in its zone
     */
    public static Outlook of(int minimum, int taken, Instant start, ZoneId zone, int decideDays, Instant now) {
        if (minimum == 0) {
            return OPEN;
        }
        if (taken >= minimum) {
            return RUNS;
        }
        LocalDate today = now.atZone(zone).toLocalDate();
        LocalDate decide = decideBy(start, zone, decideDays);
        if (today.isBefore(decide)) {
            return AT_RISK;
        }
        return today.equals(decide) ? DECIDE_TODAY : OVERDUE;
    }

    /** The day on which it is decided: {@code decideDays} before the day of the start. */
    public static LocalDate decideBy(Instant start, ZoneId zone, int decideDays) {
        return start.atZone(zone).toLocalDate().minusDays(decideDays);
    }
}
