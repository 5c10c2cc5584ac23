package jollyroster.core.readiness;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One thing the readiness check found.
 *
 * @param session the session it is about, or {@code null} when it is about the offering
 * @param at an instant the remark needs (a clock change), or {@code null}
 * @param count a number the remark needs (sessions concerned, minutes of a shift); 0 when it needs none
 */
public record Finding(
        Kind kind, @Nullable Long session, @Nullable Instant at, int count) {

    /** What was found, how grave it is, and which part of the sheet it is about. */
    public enum Kind {
        NO_DATE(Severity.STOPS, Place.DATES),
        NO_SEATS(Severity.STOPS, Place.SEATS),
        NO_VENUE(Severity.STOPS, Place.VENUE),
        NO_LINK(Severity.STOPS, Place.VENUE),
        START_IN_PAST(Severity.STOPS, Place.DATES),
        CLOCK_CHANGE(Severity.REMARK, Place.DATES),
        NO_SUMMARY(Severity.ODD, Place.SUMMARY),
        NO_DESCRIPTION(Severity.ODD, Place.DESCRIPTION),
        ROOM_TOO_SMALL(Severity.ODD, Place.SEATS),
        SAME_TIME_TWICE(Severity.ODD, Place.DATES);

        private final Severity severity;
        private final Place place;

        Kind(Severity severity, Place place) {
            this.severity = severity;
            this.place = place;
        }

        public Severity severity() {
            return severity;
        }

        public Place place() {
            return place;
        }
    }

    /** From grave to slight. */
    public enum Severity {
        /** Publishing makes no sense before it is mended. */
        STOPS,
        /** Probably a mistake. */
        ODD,
        /** Worth knowing. */
        REMARK
    }

    /** The part of the sheet a finding stands beside. */
    public enum Place {
        SUMMARY,
        DESCRIPTION,
        VENUE,
        SEATS,
        DATES
    }

    static Finding about(Kind kind) {
        return new Finding(kind, null, null, 0);
    }

    static Finding about(Kind kind, int count) {
        return new Finding(kind, null, null, count);
    }
}
