package jollyroster.core.messages;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import jollyroster.core.door.DoorHours;

/**
 * What the times of a session's messages are counted from.
 *
 * @param zone of the session, on which days and weeks are counted
 */
public record Timing(DoorHours hours, ZoneId zone) {

    public ZonedDateTime start() {
        return hours.start().atZone(zone);
    }

    /** When a line of a plan would go if nobody slept. */
    public Instant nominal(PlanLine line) {
        return switch (line.anchor()) {
            case BEFORE_START, STILL_WAITING, SHORT ->
                line.offset().before(start()).toInstant();
            case DOOR_OPENS -> hours.opens();
            case NOT_IN -> line.offset().after(start()).toInstant();
            case ATTENDED, PART, ABSENT ->
                line.offset().after(hours.end().atZone(zone)).toInstant();
            default -> throw new IllegalArgumentException("No time is known beforehand for " + line.anchor());
        };
    }
}
