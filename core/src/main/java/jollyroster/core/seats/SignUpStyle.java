package jollyroster.core.seats;

/** How people register for an offering. */
public enum SignUpStyle {
    /** For each date on its own; a person may hold several. */
    ANY_DATE,
    /** For exactly one date; changing the date moves the person. */
    ONE_DATE,
    /** Once for all dates, with one seat count. */
    WHOLE_SERIES,
    /** For a time of their own in open hours. */
    OWN_TIME;

    /** Whether people choose among dates that are there, and may change the one they hold for another. */
    public boolean choosesDates() {
        return this == ANY_DATE || this == ONE_DATE;
    }
}
