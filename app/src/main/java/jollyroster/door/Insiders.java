package jollyroster.door;

import java.time.Clock;
import java.util.Map;
import java.util.OptionalInt;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.door.ArrivalQueries.Arrival;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** Who is inside, and whether more may come. */
@Component
class Insiders {

    private final AttendanceQueries attendance;
    private final ArrivalQueries arrivals;
    private final Clock clock;

    Insiders(AttendanceQueries attendance, ArrivalQueries arrivals, Clock clock) {
        this.attendance = attendance;
        this.arrivals = arrivals;
        this.clock = clock;
    }

    /** By registration, as the meeting service reports it. */
    Map<Long, AttendanceQueries.Attended> registered(Session session) {
        return attendance.ofSession(session.id(), session.span(), clock.instant());
    }

    /** How many are inside, guests among them. */
    int number(Session session) {
        Map<Long, AttendanceQueries.Attended> registered = registered(session);
        long guests = arrivals.of(session.id()).stream()
                .filter(Arrival::isInside)
                .filter(a -> a.registration() == 0 || !isIn(registered, a.registration()))
                .count();
        return (int) (guests
                + registered.values().stream()
                        .filter(AttendanceQueries.Attended::inside)
                        .count());
    }

    private static boolean isIn(Map<Long, AttendanceQueries.Attended> registered, long registration) {
        AttendanceQueries.Attended one = registered.get(registration);
        return one != null && one.inside();
    }

    /** How many the room takes; empty where it takes any number. */
    static OptionalInt limit(Session session) {
        return session.venue().map(Venue::roomSize).orElse(OptionalInt.empty());
    }

    /** How many more may come in. */
    int room(Session session) {
        OptionalInt limit = limit(session);
        return limit.isPresent() ? limit.getAsInt() - number(session) : Integer.MAX_VALUE;
    }
}
