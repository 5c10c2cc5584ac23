package jollyroster.core.seats;

/** What can happen to a registration. */
public enum SeatEvent {
    /** Somebody asks for seats, or is put on the roster by the team. */
    REGISTER(Deadline.REGISTRATION),
    ANSWER_YES(Deadline.REGISTRATION),
    ANSWER_MAYBE(Deadline.REGISTRATION),
    ANSWER_NO(Deadline.REGISTRATION),
    /** The address has been shown to be the person's own. */
    CONFIRM(Deadline.NONE),
    /** The till says that money came. */
    PAY(Deadline.NONE),
    /** The person takes the seats that are offered. */
    ACCEPT(Deadline.END),
    /** The person declines the seats that are offered, and leaves the line. */
    DECLINE(Deadline.NONE),
    /** The time to confirm, pay or reply is over. */
    RUN_OUT(Deadline.NONE),
    /** More or fewer people come along. */
    RESIZE(Deadline.CHANGES),
    /** The registration comes from another date of the same offering. */
    MOVE(Deadline.CHANGES),
    /** The registration changes places with one of the same size on another date. */
    SWAP(Deadline.CHANGES),
    CANCEL(Deadline.END),
    /** A cancelling, declining or running out is taken back by the team. */
    RESTORE(Deadline.END),
    /** Somebody who waits is seated by name, whatever the rule says. */
    OVERRIDE(Deadline.NONE),
    /** A freed seat is offered to somebody who waits. */
    CALL_UP(Deadline.NONE),
    /** A freed seat is given to somebody who waits. */
    SEAT(Deadline.NONE),
    /** Others were faster; the party goes back to its place in the line. */
    STAND_BACK(Deadline.NONE);

    /** Until when something can happen. */
    public enum Deadline {
        NONE,
        /** While people can register. Does not bind the team. */
        REGISTRATION,
        /** While people may change what they registered. Does not bind the team. */
        CHANGES,
        /** Until the session, or the last date of a series, is over. */
        END
    }

    private final Deadline deadline;

    SeatEvent(Deadline deadline) {
        this.deadline = deadline;
    }

    public Deadline deadline() {
        return deadline;
    }
}
