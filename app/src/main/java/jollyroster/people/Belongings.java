package jollyroster.people;

import java.time.Instant;
import jollyroster.platform.Actor;

/** What hangs on a person, and follows when two records of one person become one. Part of the write that merges them. */
public interface Belongings {

    /**
     * Gives everything of one person to another.
     *
     * @return false, with nothing changed, when the two cannot be one: both are on one session
     */
    boolean carryOver(long from, long into, Actor actor, Instant now);
}
