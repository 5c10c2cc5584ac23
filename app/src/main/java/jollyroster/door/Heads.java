package jollyroster.door;

import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** How many are at a door, for pages that say so. */
@Component
public class Heads {

    private final InsideQueries insiders;
    private final ArrivalQueries arrivals;

    Heads(InsideQueries insiders, ArrivalQueries arrivals) {
        this.insiders = insiders;
        this.arrivals = arrivals;
    }

    public int inside(Session session) {
        return insiders.number(session);
    }

    public int waiting(Session session) {
        return (int) arrivals.of(session.id()).stream()
                .filter(a -> a.state().isAtTheDoor())
                .count();
    }
}
