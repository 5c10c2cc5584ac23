package jollyroster.attendance;

import java.time.Instant;
import java.util.OptionalLong;
import jollyroster.platform.Actor;

/** What the attendance has to know, and tells, of passes that the door gives to guests; answered by the door. */
public interface GuestPasses {

    /** The registration whose coming it is; 0 for a guest who is nobody's; empty where it is no such pass. */
    OptionalLong registration(String pass);

    /** A guest came in. @param visit names this stay */
    void joined(String pass, String visit, Actor actor);

    /** Somebody left, a guest or not. */
    void left(String visit, Instant at, Actor actor);
}
