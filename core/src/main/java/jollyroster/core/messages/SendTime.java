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
     * When a line of a plan goes. When the recipient is not to be written to, what goes before the start moves earlier, to the
     * last moment before, and what goes after the end later, to the first moment after; what goes within {@link #EXEMPT_BEFORE_START} of the
     * start, with the door or to those who are missing minds none.
     *
     * <p>Session Tue 16 Mar 2027 19:00 in Halifax, recipient in Singapore, one day before: nominally Tue 16 Mar 06:00
     * there, sent Mon 15 Mar 21:00 there.
     */
    public static SendTime of(Timing timing, PlanLine line, ZoneId recipientZone, WritingHours hours) {
        return of(timing, line, line.channels().all().get(0), recipientZone, hours);
    }

    /** The same for one of the channels by which the line goes. */
    static SendTime of(Timing timing, PlanLine line, Channel channel, ZoneId recipientZone, WritingHours all) {
        WritingHours hours = all.by(channel);
        Instant nominal = timing.nominal(line);
        ZonedDateTime theirs = nominal.atZone(recipientZone);
        if (line.anchor().verdict().isPresent()) {
            return new SendTime(hours.atOrAfter(theirs).toInstant(), nominal);
        }
        Duration ahead = Duration.between(nominal, timing.hours().start());
        boolean calm = line.anchor() == Anchor.BEFORE_START || line.anchor() == Anchor.STILL_WAITING;
        boolean exempt = !calm || ahead.compareTo(EXEMPT_BEFORE_START) <= 0;
        return new SendTime(exempt ? nominal : hours.atOrBefore(theirs).toInstant(), nominal);
    }

    public boolean movedByQuietHours() {
        return !at.equals(nominal);
    }
}
