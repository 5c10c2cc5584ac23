package jollyroster.core.readiness;

import java.util.List;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.OwnTime;
import jollyroster.core.readiness.Readiness.Sheet;

/** Seats against rooms, kept-back seats and the minimum. */
final class SeatFindings {

    private SeatFindings() {}

    static Stream<Finding> of(Sheet sheet) {
        return Stream.of(
                        first(sheet, Kind.NO_SEATS, d -> d.seats() < 1, d -> 0),
                        first(sheet, Kind.ROOM_TOO_SMALL, d -> !d.isOnline() && isTooSmall(d), SeatFindings::room),
                        first(sheet, Kind.ROOM_LIMIT_LOW, d -> d.isOnline() && isTooSmall(d), SeatFindings::room),
                        first(sheet, Kind.ALL_KEPT_BACK, d -> d.seats() > 0 && d.keptBack() >= d.seats(), Date::seats),
                        first(
                                sheet,
                                Kind.MINIMUM_ABOVE_SEATS,
                                d -> d.seats() > 0 && d.minimum() > d.seats(),
                                Date::minimum))
                .flatMap(findings -> findings);
    }

    /** Seats of a time that nobody has picked yet. */
    static Stream<Finding> ownTime(OwnTime own) {
        if (own.seats() < 1) {
            return Stream.of(Finding.about(Kind.NO_SEATS).onDates(0));
        }
        return own.keptBack() >= own.seats()
                ? Stream.of(Finding.about(Kind.ALL_KEPT_BACK, own.seats()))
                : Stream.empty();
    }

    private static boolean isTooSmall(Date date) {
        return date.roomSize().isPresent() && date.seats() > date.roomSize().getAsInt();
    }

    private static int room(Date date) {
        return date.roomSize().orElse(0);
    }

    private static Stream<Finding> first(Sheet sheet, Kind kind, Predicate<Date> odd, ToIntFunction<Date> number) {
        List<Date> found = sheet.sessions().stream().filter(odd).toList();
        return found.stream()
                .limit(1)
                .map(date ->
                        Finding.on(date.id(), kind, number.applyAsInt(date), "").onDates(found.size()));
    }
}
