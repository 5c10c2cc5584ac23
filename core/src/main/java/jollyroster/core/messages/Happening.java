package jollyroster.core.messages;

import java.time.Instant;

/**
 * Something that happens in a rehearsal.
 *
 * @param who of the cast it happens to, from 0; for what happens to the session nobody in particular
 * @param days by which the session moves, for {@link Kind#MOVES}; else 0
 */
public record Happening(Kind kind, Instant at, int who, int days) {

    /** What happens. */
    public enum Kind {
        /** Somebody gives their seats back. */
        CANCELS,
        /** Somebody who waits is called up, and accepts two hours later. */
        CALLED_UP,
        /** Somebody who waits is called up, and does not answer in time. */
        ANSWERS_LATE,
        /** The session is moved to another day. */
        MOVES,
        /** The session meets elsewhere. */
        OTHER_PLACE,
        /** The session is called off. */
        CALLED_OFF,
        /** The clocks where it is held change otherwise than was known: it begins an hour later. */
        CLOCKS;

        /** Whether it happens to one of the cast, not to the session. */
        public boolean isPersonal() {
            return this == CANCELS || this == CALLED_UP || this == ANSWERS_LATE;
        }
    }
}
