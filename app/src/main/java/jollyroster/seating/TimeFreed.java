package jollyroster.seating;

import java.time.Instant;
import jollyroster.programme.Session;

/** Hears of a picked time that nobody has any more, as part of the write in which it is given back. */
public interface TimeFreed {

    /** @param by who gave it back */
    void freed(Session time, String by, Instant now);
}
