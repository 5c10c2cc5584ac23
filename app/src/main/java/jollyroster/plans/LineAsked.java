package jollyroster.plans;

import java.util.Optional;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channels;
import jollyroster.core.messages.PlanLine;
import org.jspecify.annotations.Nullable;

/** A line of a plan as a form names it. */
record LineAsked(
        @Nullable Anchor anchor,
        @Nullable Integer amount,
        Offset.@Nullable Unit unit,
        @Nullable Channels channels,
        @Nullable String audience) {

    /** The line; empty when it cannot be one. */
    Optional<PlanLine> line() {
        boolean whole = anchor != null && unit != null && amount != null && amount >= 0;
        if (!whole) {
            return Optional.empty();
        }
        Channels by = channels == null ? Channels.EMAIL : channels;
        return Audience.of(audience == null ? "" : audience)
                .map(some -> new PlanLine(anchor, new Offset(amount, unit), by, some));
    }
}
