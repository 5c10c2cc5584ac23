package jollyroster.platform;

/** What a member of the team may do. */
public enum Role {
    /** Everything. */
    ORGANISER,
    /** Own sessions. */
    HOST,
    /** Door and attendance. */
    HELPER
}
