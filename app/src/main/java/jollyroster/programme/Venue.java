package jollyroster.programme;

import java.util.OptionalInt;

/**
 * A reusable place.
 *
 * @param accessNote how to get in; empty for none
 * @param link the fixed meeting link of {@link Kind#FIXED_LINK}, else empty
 * @param roomSize people it holds, if known
 */
public record Venue(
        long id, String name, Kind kind, String address, String accessNote, String link, OptionalInt roomSize) {

    /** What sort of place. */
    public enum Kind {
        PLACE,
        /** One meeting link for every session. */
        FIXED_LINK,
        /** The meeting service makes a link for each session. */
        MADE_LINK
    }

    public boolean isOnline() {
        return kind != Kind.PLACE;
    }
}
