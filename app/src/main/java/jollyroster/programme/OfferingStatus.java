package jollyroster.programme;

/** Where an offering is in its life. */
public enum OfferingStatus {
    /** Only the team sees it. */
    DRAFT,
    /** People can find it and register. */
    PUBLISHED,
    /** People can find it but no longer register. */
    CLOSED;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
