package jollyroster.programme;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import jollyroster.core.readiness.Readiness.Clash;

/** Where hosts and venues are double-booked. Answered by whoever knows what hosts do elsewhere. */
public interface Clashes {

    /** The conflicts to come that concern any of these sessions, each once for every one of them it concerns. */
    List<Clash> of(Collection<Session> sessions, Instant now);
}
