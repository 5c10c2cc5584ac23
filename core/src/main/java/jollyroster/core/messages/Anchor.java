package jollyroster.core.messages;

/** What a message is tied to. */
public enum Anchor {
    /** The person has just been given seats. */
    REGISTERED,
    /** The person has just joined the waitlist. */
    WAITLISTED,
    /** Seats came free for a waiting party. */
    CALLED_UP,
    /** The person's seats were given back, by themselves or by the organiser. */
    CANCELLED,
    /** The person asked for the link to their own page again. */
    LINK_AGAIN,
    /** The session was moved, or meets elsewhere. */
    CHANGED,
    /** The session was called off. */
    CALLED_OFF,
    /** The session that was called off is held after all. */
    RESTORED,
    /** Some time before the session starts. */
    BEFORE_START,
    /** Nothing about a session: a letter to the team. */
    LETTER;

    /** Whether the message answers what just happened; such a message goes at once and minds no quiet hours. */
    public boolean isAnswer() {
        return this != BEFORE_START;
    }
}
