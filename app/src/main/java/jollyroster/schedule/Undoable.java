package jollyroster.schedule;

import java.util.List;
import jollyroster.programme.SessionPlan;
import jollyroster.programme.VenueCommands;
import org.jspecify.annotations.Nullable;

/**
 * How things were before a change, kept as JSON so that it can be taken back.
 *
 * @param sessions those that were changed or added
 * @param venue the venue that was changed, or {@code null}
 */
record Undoable(List<Dated> sessions, @Nullable Place venue) {

    /** @param before {@code null} when the change added the session */
    record Dated(long session, @Nullable SessionPlan before) {}

    record Place(long venue, int version, VenueCommands.Form before) {}

    static Undoable sessions(List<Dated> sessions) {
        return new Undoable(sessions, null);
    }
}
