package jollyroster.core.seats;

/** What becomes of a party that asks for seats. */
public sealed interface Arrival {

    /**
     * The party has its seats.
     *
     * @param passesOverTheLine whether parties are waiting; each that could ever fit counts one pass-over more
     */
    record Seated(boolean passesOverTheLine) implements Arrival {}

    /**
     * The party waits.
     *
     * @param place its place in the line, from 1
     * @param because why it was not seated
     */
    record Waitlisted(int place, Waiting because) implements Arrival {}

    /** Nothing was given and the party does not wait. */
    record Refused(Refusal because) implements Arrival {}

    /** Why a party waits. */
    enum Waiting {
        /** Fewer seats are free than the party needs. */
        DOES_NOT_FIT,
        /** It would fit, but the free seats are owed to a party that was passed over twice. */
        OWED_TO_OTHERS
    }

    /** Why a party is refused. */
    enum Refusal {
        /** More people than the session has open seats; it could never fit. */
        LARGER_THAN_SESSION,
        FULL_WITHOUT_WAITLIST,
        WAITLIST_FULL
    }
}
