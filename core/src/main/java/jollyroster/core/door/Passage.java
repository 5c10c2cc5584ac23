package jollyroster.core.door;

import java.util.function.BooleanSupplier;

/** How somebody goes through an open door with their own link. */
public enum Passage {
    IN,
    /** Knocks, as everybody does here. */
    KNOCKS,
    /** Knocks, because somebody is inside with this link and it may not be the same one. */
    SECOND,
    /** No more fit in. */
    FULL,
    /** May not come in again. */
    BARRED;

    /**
     * What is known of a link and of the browser it is opened in.
     *
     * @param known whether this browser was let in with it before
     * @param inside whether somebody is inside with it now
     * @param barred whether somebody with it was barred
     */
    public record Link(boolean known, boolean inside, boolean barred) {}

    /** Decides. A browser that is known comes back at any time; another one only while nobody is inside with the link. */
    public static Passage decide(Link link, boolean everyoneKnocks, BooleanSupplier hasRoom) {
        if (link.barred()) {
            return BARRED;
        }
        if (!link.known() && link.inside()) {
            return SECOND;
        }
        if (!link.known() && everyoneKnocks) {
            return KNOCKS;
        }
        return link.inside() || hasRoom.getAsBoolean() ? IN : FULL;
    }
}
