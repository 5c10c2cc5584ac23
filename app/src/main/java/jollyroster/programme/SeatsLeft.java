package jollyroster.programme;

import jollyroster.core.seats.SeatsShown;
import jollyroster.programme.SeatCounts.SeatCount;

/**
 * What people read of the seats of a session, on its page, in lists and where it is embedded.
 *
 * @param free seats anybody could have
 * @param told whether numbers may be shown, drawn ones too
 * @param words {@code 3 left}, {@code few left}, {@code full, 2 waiting}
 */
public record SeatsLeft(int free, boolean told, String words) {

    public static SeatsLeft of(Session s, SeatCount count) {
        int free = Math.max(0, s.seats() - s.keptBack() - count.taken());
        SeatsShown shown = s.offering().front().seatsShown();
        boolean told = shown.tells(free);
        return new SeatsLeft(free, told, free > 0 ? left(free, count, shown) : full(s, count, told));
    }

    private static String left(int free, SeatCount count, SeatsShown shown) {
        boolean waiting = count.waitingParties() > 0 && shown.when() == SeatsShown.When.ALWAYS;
        return shown.words(free) + (waiting ? ", " + count.waitingPeople() + " waiting" : "");
    }

    private static String full(Session s, SeatCount count, boolean told) {
        if (!s.offering().waitlistAllowed()) {
            return "full";
        }
        return count.waitingPeople() == 0 || !told
                ? "full, waitlist open"
                : "full, " + count.waitingPeople() + " waiting";
    }
}
