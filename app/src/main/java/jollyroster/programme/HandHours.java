package jollyroster.programme;

import java.time.Instant;
import java.util.Optional;

/** What somebody has done to the door of a session by hand. @param opened before its time @param closes instead of the planned time */
public record HandHours(Optional<Instant> opened, Optional<Instant> closes) {

    public static final HandHours NONE = new HandHours(Optional.empty(), Optional.empty());
}
