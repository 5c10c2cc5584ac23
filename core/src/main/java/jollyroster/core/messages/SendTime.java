package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * When a message goes to one person.
 *
 * @param at when it goes
 * @param nominal when it would go if nobody slept
 */
public record SendTime(Instant at, Instant nominal) {

    /** A reminder this near to the start goes whatever the hour. */
    public static final Duration EXEMPT_BEFORE_START = Duration.ofHours(2);

    /**
     * When a message before the start goes. In the recipient's quiet hours it moves earlier, to where they begin, unless
     * it is within {@link #EXEMPT_BEFORE_START} of the start.
     *
     * <p>Session Tue 16 Mar 2027 19:00 in Halifax, recipient in Singapore, one day before: nominally Tue 16 Mar 06:00
     * there, sent Mon 15 Mar 21:00 there.
     *
     * @param start in the session's zone, on which days and weeks are counted
     */
    public static SendTime before(ZonedDateTime start, PlanLine line, ZoneId recipientZone, QuietHours quiet) {
        Instant nominal = line.offset().before(start).toInstant();
        boolean exempt = Duration.between(nominal, start.toInstant()).compareTo(EXEMPT_BEFORE_START) <= 0;
        Instant at = exempt
                ? nominal
                : quiet.startAtOrBefore(nominal.atZone(recipientZone)).toInstant();
        return new SendTime(at, nominal);
    }

    public boolean movedByQuietHours() {
        return !at.equals(nominal);
    }
}
