package jollyroster.core.seats;

/** Why an event changes nothing. */
public enum Obstacle {
    /** The event means nothing in the state the registration is in. */
    NOT_POSSIBLE,
    /** Registration is not open, or changes are no longer allowed, or it is over. */
    TOO_LATE,
    /** More people than the session has open seats; the party could never fit. */
    LARGER_THAN_SESSION,
    /** Too few seats, and nobody may wait. */
    FULL,
    WAITLIST_FULL,
    /** Too few seats are free, or they are owed to others; what was held is kept. */
    NO_SEATS,
    /** Others answered first; the place in the line is kept. */
    OUTRUN,
    /** Nothing is offered or held. */
    NOTHING_OFFERED,
    /** The seats must be paid for first. */
    TO_PAY,
    /** The team ended the registration; only the team can take that back. */
    ENDED_BY_TEAM
}
