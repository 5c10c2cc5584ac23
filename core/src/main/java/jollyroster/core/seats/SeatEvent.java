package jollyroster.core.seats;

import java.util.Set;

/** What can happen to a registration. */
public enum SeatEvent {
    /** Somebody asks for seats, or is put on the roster by the team. */
    REGISTER(Deadline.REGISTRATION),
    ANSWER_YES(Deadline.REGISTRATION),
    ANSWER_MAYBE(Deadline.REGISTRATION),
    ANSWER_NO(Deadline.REGISTRATION),
    /** The address has been shown to be the person's own. */
    CONFIRM(),
    /** The till says that money came. */
    PAY(),
    /** The person takes the seats that are offered. */
    ACCEPT(Deadline.END),
    /** The person declines the seats that are offered, and leaves the line. */
    DECLINE(),
    /** The time to confirm, pay or reply is over. */
    RUN_OUT(),
    /** More or fewer people come along. */
    RESIZE(Deadline.CHANGES),
    /** The registration comes from another date of the same offering. */
    MOVE(Deadline.MOVES),
    /** The registration changes places with one of the same size on another date. */
    SWAP(Deadline.MOVES),
    CANCEL(Deadline.END, Deadline.CANCELLING),
    /** A cancelling, declining or running out is taken back by the team. */
    RESTORE(Deadline.END),
    /** Somebody who waits is seated by name, whatever the rule says. */
    OVERRIDE(),
    /** A freed seat is offered to somebody who waits. */
    CALL_UP(),
    /** A freed seat is given to somebody who waits. */
    SEAT(),
    /** Others were faster; the party goes back to its place in the line. */
    STAND_BACK();

    /** Until when something can happen. */
    public enum Deadline {
        /** While people can register. Does not bind the team. */
        REGISTRATION,
        /** While people may change what they registered. Does not bind the team. */
        CHANGES,
        /** While people may move to another date. Does not bind the team. */
        MOVES,
        /** While people may give seats back that they hold. Does not bind the team. */
        CANCELLING,
        /** Until the session, or the last date of a series, is over. */
        END
    }

    private final Set<Deadline> deadlines;

    SeatEvent(Deadline... deadlines) {
        this.deadlines = Set.of(deadlines);
    }

    /** Whether it is too late for it. @param passed what has passed */
    public boolean isTooLate(Set<Deadline> passed) {
        return deadlines.stream().anyMatch(passed::contains);
    }
}
