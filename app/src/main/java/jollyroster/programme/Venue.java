package jollyroster.programme;

import java.util.OptionalInt;

/**
 * A reusable place.
 *
 * @param accessNote how to get in; empty for none
 * @param link the fixed meeting link of {@link Kind#FIXED_LINK}, else empty
 * @param phone the number of {@link Kind#PHONE} as people read it, else empty
 * @param roomSize people it holds or lets in, if known
 * @param retired whether it is no longer offered for choosing
 * @param version counts up with each change
 */
public record Venue(
        long id,
        String name,
        Kind kind,
        String address,
        String accessNote,
        String link,
        String phone,
        OptionalInt roomSize,
        boolean retired,
        int version) {

    /** What sort of place. */
    public enum Kind {
        PLACE("a place"),
        PHONE("a phone line"),
        /** One meeting link for every session. */
        FIXED_LINK("one fixed link"),
        /** The meeting service makes a link for each session. */
        MADE_LINK("a link for each session");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public boolean isOnline() {
        return kind == Kind.FIXED_LINK || kind == Kind.MADE_LINK;
    }

    /** Whether two sessions at once are one too many there. A link that is made for each session is never the same. */
    public boolean holdsOneAtATime() {
        return kind != Kind.MADE_LINK;
    }

    /** {@code Rope loft, Saltmarrow quay}; an online venue is only its name. */
    public String inOneLine() {
        String where = kind == Kind.PHONE ? phone : kind == Kind.PLACE ? address : "";
        return where.isEmpty() ? name : name + ", " + where;
    }
}
