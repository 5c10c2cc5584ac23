package jollyroster.core.messages;

/** What a message is tied to. */
public enum Anchor {
    /** The person has just been given seats. */
    REGISTERED,
    /** Seats are held until the person confirms the address. */
    CONFIRM,
    /** Seats are held until they are paid for. */
    PAY,
    /** Money came when the seats were gone. */
    PAID_TOO_LATE,
    /** The person has just joined the waitlist. */
    WAITLISTED,
    /** Seats came free and are offered to a waiting party. */
    CALLED_UP,
    /** A waiting party has been given seats. */
    SEATED,
    /** Others answered first; the party keeps its place in the line. */
    OUTRUN,
    /** What was held or offered ran out. */
    RAN_OUT,
    /** The person's seats were given back, by themselves or by the organiser. */
    CANCELLED,
    /** Somebody would like to change dates with the person. */
    SWAP_ASKED,
    /** Whoever was asked to change dates would rather not. */
    SWAP_DECLINED,
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
    /** The person has answered maybe or no. */
    REPLIED,
    /** Money came; its receipt goes with the message. */
    RECEIPT,
    /** Money has gone back. */
    REFUNDED,
    /** The organiser writes to people on a session. */
    WRITTEN,
    /** Nothing about a session: a letter to the team. */
    LETTER;

    /** Whether the message answers what just happened; such a message goes at once and minds no quiet hours. */
    public boolean isAnswer() {
        return this != BEFORE_START;
    }
}
