package jollyroster.seating;

import java.time.Instant;
import jollyroster.core.seats.SeatEvent;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.Session;

/**
 * An event and what goes with it.
 *
 * @param book the session that keeps the seats
 * @param from where a registration comes from that is moved; else the same as {@code book}
 * @param why the reason, if one was given; else empty
 * @param proven whether the person has shown that the address is theirs
 * @param told whether the person is written to, and reminded
 * @param settled for how many people more nothing is due
 * @param facts more for the logbook
 */
record Happening(
        SeatEvent event,
        Session book,
        Session from,
        Actor actor,
        Instant now,
        String why,
        boolean proven,
        boolean told,
        int settled,
        Facts facts) {

    static Happening of(SeatEvent event, Session book, Actor actor, Instant now) {
        return new Happening(event, book, book, actor, now, "", false, true, 0, Facts.none());
    }

    Happening because(String reason) {
        return new Happening(event, book, from, actor, now, reason, proven, told, settled, facts);
    }

    Happening from(Session other) {
        return new Happening(event, book, other, actor, now, why, proven, told, settled, facts);
    }

    Happening proven(boolean shown) {
        return new Happening(event, book, from, actor, now, why, shown, told, settled, facts);
    }

    Happening told(boolean written) {
        return new Happening(event, book, from, actor, now, why, proven, written, settled, facts);
    }

    Happening settled(int people) {
        return new Happening(event, book, from, actor, now, why, proven, told, people, facts);
    }

    Happening with(String name, Object value) {
        return new Happening(event, book, from, actor, now, why, proven, told, settled, facts.and(name, value));
    }
}
