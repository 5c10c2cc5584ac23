package jollyroster.schedule;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Objects;
import jollyroster.core.dates.SessionTime;
import jollyroster.programme.SessionPlan;

/**
 * What a change to one session means for others: only what was changed is carried over, and a move is so many days and
 * another time of day, on the wall clock.
 */
final class Delta {

    private final SessionPlan before;
    private final SessionPlan wanted;
    private final ZoneId zone;

    Delta(SessionPlan before, SessionPlan wanted, ZoneId zone) {
        this.before = before;
        this.wanted = wanted;
        this.zone = zone;
    }

    SessionPlan appliedTo(SessionPlan other) {
        SessionPlan changed = moved(other);
        boolean seated = wanted.seats() != before.seats()
                || wanted.keptBack() != before.keptBack()
                || !Objects.equals(wanted.minimum(), before.minimum());
        if (seated) {
            changed = changed.seating(
                    wanted.seats() != before.seats() ? wanted.seats() : other.seats(),
                    wanted.keptBack() != before.keptBack() ? wanted.keptBack() : other.keptBack(),
                    Objects.equals(wanted.minimum(), before.minimum()) ? other.minimum() : wanted.minimum());
        }
        if (!Objects.equals(wanted.venue(), before.venue())) {
            changed = changed.meeting(wanted.venue());
        }
        if (wanted.ownHosts() != before.ownHosts() || !wanted.hosts().equals(before.hosts())) {
            changed = changed.ledBy(wanted.ownHosts(), wanted.hosts());
        }
        if (wanted.cancelled() != before.cancelled()) {
            changed = changed.calledOff(wanted.cancelled());
        }
        return changed.openFor(
                Objects.equals(wanted.doorMinutes(), before.doorMinutes()) ? other.doorMinutes() : wanted.doorMinutes(),
                Objects.equals(wanted.overrunMinutes(), before.overrunMinutes())
                        ? other.overrunMinutes()
                        : wanted.overrunMinutes(),
                wanted.note().equals(before.note()) ? other.note() : wanted.note());
    }

    private SessionPlan moved(SessionPlan other) {
        Duration length = wanted.length().equals(before.length()) ? other.length() : wanted.length();
        if (wanted.start().equals(before.start())) {
            return other.at(other.start(), other.start().plus(length));
        }
        LocalDateTime from = before.start().atZone(zone).toLocalDateTime();
        LocalDateTime to = wanted.start().atZone(zone).toLocalDateTime();
        long days = ChronoUnit.DAYS.between(from.toLocalDate(), to.toLocalDate());
        LocalTime time = from.toLocalTime().equals(to.toLocalTime())
                ? other.start().atZone(zone).toLocalTime()
                : to.toLocalTime();
        LocalDateTime start =
                other.start().atZone(zone).toLocalDate().plusDays(days).atTime(time);
        SessionTime resolved = SessionTime.resolve(start, zone, length);
        return other.at(resolved.start().toInstant(), resolved.end().toInstant());
    }
}
