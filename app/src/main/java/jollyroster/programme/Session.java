package jollyroster.programme;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.OptionalInt;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;
import jollyroster.core.seats.Capacity;
import org.jspecify.annotations.Nullable;

/**
 * One dated meeting of an offering.
 *
 * @param seats 0 when none were given yet
 * @param meetingRoom the name of its room at the meeting service, or {@code null} until one is made
 * @param sequence for calendars; counts up with every change
 */
public record Session(
        long id,
        Offering offering,
        Instant start,
        Instant end,
        ZoneId zone,
        int seats,
        int keptBack,
        boolean cancelled,
        @Nullable String meetingRoom,
        int sequence,
        Instant createdAt) {

    public Interval span() {
        return new Interval(start, end);
    }

    public ZonedDateTime zonedStart() {
        return start.atZone(zone);
    }

    public DoorHours doorHours() {
        return DoorHours.of(
                span(), Duration.ofMinutes(offering.doorMinutes()), Duration.ofMinutes(offering.overrunMinutes()));
    }

    /** When registration closes. */
    public Instant cutOff() {
        return start.minus(Duration.ofMinutes(offering.cutoffMinutes()));
    }

    /** @throws IllegalArgumentException when no seats were given */
    public Capacity capacity() {
        return new Capacity(seats, keptBack, offering.waitlistAllowed(), OptionalInt.empty());
    }

    /** Whether people can register now: published, with seats, not cancelled, before the cut-off. */
    public boolean isOpenAt(Instant now) {
        return offering.status() == OfferingStatus.PUBLISHED && !cancelled && seats > 0 && now.isBefore(cutOff());
    }

    /** The same for as long as the session lives. */
    public String calendarUid(String host) {
        return "session-" + id + "@" + host;
    }
}
