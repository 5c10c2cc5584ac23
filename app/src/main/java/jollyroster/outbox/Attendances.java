package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;

/** What the outbox asks about who was there. Answered by whoever keeps attendance. */
public interface Attendances {

    /**
     * Whether somebody was there; empty where nothing is known of anybody, as when nobody was marked.
     *
     * @param span of the session
     */
    Optional<Verdict> verdict(long session, long registration, Interval span, Instant now);

    /** Whether somebody is there now, or has been. */
    boolean hasBeenIn(long session, long registration);
}
