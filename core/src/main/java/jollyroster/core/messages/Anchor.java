package jollyroster.core.messages;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.attendance.Verdict;

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
    /** The door opens. */
    DOOR_OPENS,
    /** Some time after the start, for whoever is not in. */
    NOT_IN,
    /** Some time after the end, for those who were there. */
    ATTENDED,
    /** Some time after the end, for those who were there in part. */
    PART,
    /** Some time after the end, for those who were not there. */
    ABSENT,
    /** The person has answered maybe or no. */
    REPLIED,
    /** Money came; its receipt goes with the message. */
    RECEIPT,
    /** Money has gone back. */
    REFUNDED,
    /** Some time before the cut-off, for those who are invited and have not answered. */
    SILENT,
    /** Some time before a payment runs out, for whoever has not paid. */
    UNPAID,
    /** Some time before the start, for those who are still on the waitlist. */
    STILL_WAITING,
    /** Some time before the start, for the organiser, while the session is short of its minimum. */
    SHORT,
    /** Somebody is invited. */
    INVITED,
    /** Somebody who is invited and has not answered is asked once more. */
    INVITED_AGAIN,
    /** There is no room for somebody who asked to come. */
    NO_ROOM,
    /** The organiser writes to people on a session. */
    WRITTEN,
    /** Nothing about a session: a letter to the team. */
    LETTER;

    /** The anchors of a plan: what is tied to them goes at a time that is known beforehand. */
    public static final Set<Anchor> TIMED =
            Collections.unmodifiableSet(EnumSet.of(BEFORE_START, DOOR_OPENS, NOT_IN, ATTENDED, PART, ABSENT));

    /** The anchors of a plan at whose time it is looked whom a message is for. */
    public static final Set<Anchor> WATCHED =
            Collections.unmodifiableSet(EnumSet.of(SILENT, UNPAID, STILL_WAITING, SHORT));

    /** The answers beside which a plan can have a text; the e-mail goes anyway. */
    public static final Set<Anchor> TEXTED = Collections.unmodifiableSet(
            EnumSet.of(REGISTERED, WAITLISTED, CALLED_UP, SEATED, CHANGED, CALLED_OFF, RESTORED));

    /** To people who are on no session yet. */
    public static final Set<Anchor> INVITING = Collections.unmodifiableSet(EnumSet.of(INVITED, INVITED_AGAIN, NO_ROOM));

    /** Whether the message answers what just happened; such a message goes at once and minds no quiet hours. */
    public boolean isAnswer() {
        return !TIMED.contains(this) && !WATCHED.contains(this);
    }

    /** Whether the message can go as a text. */
    public boolean isTexted() {
        return TIMED.contains(this) || TEXTED.contains(this);
    }

    /** Whether the message goes before the start, with the way in. */
    public boolean isReminder() {
        return this == BEFORE_START || this == DOOR_OPENS;
    }

    /** Whether who gets the message shows only once the session has begun, so that it cannot go early. */
    public boolean isDecidedLater() {
        return this == NOT_IN || verdict().isPresent();
    }

    /** Of whom attendance has to say this for the message to go; empty where it does not matter. */
    public Optional<Verdict> verdict() {
        return switch (this) {
            case ATTENDED -> Optional.of(Verdict.ATTENDED);
            case PART -> Optional.of(Verdict.PART);
            case ABSENT -> Optional.of(Verdict.ABSENT);
            default -> Optional.empty();
        };
    }
}
