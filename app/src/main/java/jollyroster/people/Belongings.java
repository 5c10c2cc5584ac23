package jollyroster.people;

import java.time.Instant;
import jollyroster.platform.Actor;

/** What hangs on a person, and follows when two records become one or one is put right. Part of the write that does so. */
public interface Belongings {

    /**
     * Gives everything of one person to another.
     *
     * @return false, with nothing changed, when the two cannot be one: both are on one session
     */
    default boolean carryOver(long from, long into, Actor actor, Instant now) {
        return true;
    }

    /** A name or an address that was wrong. Equal ones have not changed. @param emailBefore empty when there was none */
    record Correction(long person, String nameBefore, String name, String emailBefore, String email) {

        public boolean renames() {
            return !nameBefore.equals(name);
        }

        public boolean readdresses() {
            return !emailBefore.equals(email);
        }
    }

    /** Follows a correction. Links that were sent to another address lead nowhere afterwards. */
    void correct(Correction correction, Actor actor, Instant now);
}
