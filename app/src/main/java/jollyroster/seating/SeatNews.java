package jollyroster.seating;

import java.time.Instant;
import java.util.function.IntSupplier;
import jollyroster.programme.Session;

/** Is told who came and who went, in the write in which they do. Answered by whoever tells the team. */
public interface SeatNews {

    /** @param taken how many seats are taken now; asked only where it matters */
    void happened(Session session, Who who, boolean came, IntSupplier taken, Instant now);

    /** Who. @param party people in all */
    record Who(long registration, String name, int party) {}
}
