package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Timing;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.Session;

/** The dates for which plans are drawn. */
final class DrawnDates {

    private static final int WEEKS_AHEAD = 4;
    private static final LocalTime EVENING = LocalTime.of(19, 0);
    private static final Duration USUAL = Duration.ofMinutes(90);

    private DrawnDates() {}

    static PlanView.Drawn of(Session s) {
        boolean closesBefore = s.offering().cutOff().amount() > 0;
        return new PlanView.Drawn(
                s.id(),
                Times.dayAndTime(s.start(), s.zone()),
                s.timing(),
                closesBefore ? Optional.of(s.cutOff()) : Optional.empty());
    }

    /** An evening some weeks ahead, as long as no date is to come. */
    static PlanView.Drawn madeUp(Offering o, Instant now) {
        return evening(
                o.zone(),
                Duration.ofMinutes(o.minutes()),
                Duration.ofMinutes(o.doorMinutes()),
                Duration.ofMinutes(o.overrunMinutes()),
                now);
    }

    /** A date at a time of choice, as long as those of the offering are. */
    static PlanView.Drawn at(Offering o, LocalDateTime begins) {
        ZonedDateTime start = begins.atZone(o.zone());
        Interval span = new Interval(
                start.toInstant(), start.plus(Duration.ofMinutes(o.minutes())).toInstant());
        DoorHours hours =
                DoorHours.of(span, Duration.ofMinutes(o.doorMinutes()), Duration.ofMinutes(o.overrunMinutes()));
        return new PlanView.Drawn(
                0, Times.dayAndTime(start.toInstant(), o.zone()), new Timing(hours, o.zone()), Optional.empty());
    }

    /** The same for a plan of the house. */
    static PlanView.Drawn madeUp(ZoneId home, Instant now) {
        return evening(home, USUAL, DoorHours.DEFAULT_OPENS_BEFORE, DoorHours.DEFAULT_OVERRUN, now);
    }

    private static PlanView.Drawn evening(ZoneId zone, Duration length, Duration door, Duration overrun, Instant now) {
        ZonedDateTime start = now.atZone(zone).plusWeeks(WEEKS_AHEAD).with(EVENING);
        Interval span = new Interval(start.toInstant(), start.plus(length).toInstant());
        return new PlanView.Drawn(0, "", new Timing(DoorHours.of(span, door, overrun), zone), Optional.empty());
    }
}
