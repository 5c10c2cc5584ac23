package jollyroster.attendance;

import java.time.Instant;
import java.util.OptionalLong;
import jollyroster.platform.Actor;

/**
 * What the attendance has to know, and tells, of passes that are given to people without a registration of their own; answered by
 * whoever gives them. Reports may come late, twice and in any order.
 */
public interface GuestPasses {

    /** The registration whose coming it is; 0 for a guest who is nobody's; empty where it is no such pass. */
    OptionalLong registration(String pass);

    /** A guest came in. @param visit names this stay */
    void joined(String pass, String visit, Instant at, Actor actor);

    /** A guest left. @param visit names this stay */
    void left(String pass, String visit, Instant at, Actor actor);
}
