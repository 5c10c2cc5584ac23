package jollyroster.programme;

/** Who finds an offering. */
public enum Visibility {
    /** Everybody: it stands in the public list and in the programme feed. */
    LISTED,
    /** Whoever has its address. */
    UNLISTED,
    /** Whoever was invited; others may look but not register. */
    INVITED;

    public String word() {
        return switch (this) {
            case LISTED -> "listed";
            case UNLISTED -> "unlisted";
            case INVITED -> "invited only";
        };
    }
}
