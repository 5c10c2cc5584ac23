package jollyroster.programme;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.programme.HostQueries.Host;

/** Where hosts and venues are double-booked. Answered by whoever knows what hosts do elsewhere. */
public interface Clashes {

    /** The conflicts to come that concern any of these sessions, each once for every one of them it concerns. */
    List<Clash> of(Collection<Session> sessions, Instant now);

    /** The same if sessions were held as they stand here. @param hosts who would lead each of them */
    List<Clash> ifHeld(Collection<Session> changed, Map<Long, List<Host>> hosts, Instant now);
}
