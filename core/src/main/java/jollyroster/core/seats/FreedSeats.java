package jollyroster.core.seats;

/** What becomes of a freed seat while people wait for it. */
public enum FreedSeats {
    /** It is offered to the first party that fits, with a time to reply by. */
    CALL_UP,
    /** The first party that fits has it at once. */
    SEAT_AT_ONCE
}
