package jollyroster.core.readiness;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One thing the readiness check found.
 *
 * @param session the session it is about, or {@code null} when it is about the offering
 * @param at an instant the remark needs (a clock change), or {@code null}
 * @param count a number the remark needs (sessions or people concerned, minutes, a room's size); 0 when it needs none
 * @param detail a name the remark needs (a host, a question); empty when it needs none
 * @param dates how many dates it is about, of which {@code session} and {@code at} are the first; 0 for a time that is no date yet
 */
public record Finding(
        Kind kind, @Nullable Long session, @Nullable Instant at, int count, String detail, int dates) {

    /** What was found, how grave it is, and which part of the sheet it is about. */
    public enum Kind {
        NO_DATE(Severity.STOPS, Place.DATES),
        /** People pick a time, and there are none to pick from. */
        NO_HOURS(Severity.STOPS, Place.HOURS),
        /** People pick a time, and nobody gives one. */
        NOBODY_LEADS(Severity.STOPS, Place.HOSTS),
        NO_SEATS(Severity.STOPS, Place.SEATS),
        NO_VENUE(Severity.STOPS, Place.VENUE),
        NO_LINK(Severity.STOPS, Place.VENUE),
        /** The link is made by a meeting service, and none is set up. */
        NO_PROVIDER(Severity.STOPS, Place.VENUE),
        START_IN_PAST(Severity.STOPS, Place.DATES),
        /** Registration would close before it opens. */
        CUT_OFF_BEFORE_OPENING(Severity.STOPS, Place.REGISTRATION),
        /** Whoever says yes is asked for nothing, though there is a price. */
        PRICE_NOT_ASKED(Severity.ODD, Place.REGISTRATION),
        LINK_FAILED(Severity.ODD, Place.VENUE),
        HOST_DOUBLE_BOOKED(Severity.ODD, Place.HOSTS),
        VENUE_DOUBLE_BOOKED(Severity.ODD, Place.VENUE),
        NO_HOST(Severity.ODD, Place.HOSTS),
        NO_SUMMARY(Severity.ODD, Place.SUMMARY),
        NO_DESCRIPTION(Severity.ODD, Place.DESCRIPTION),
        ROOM_TOO_SMALL(Severity.ODD, Place.SEATS),
        /** The meeting lets fewer people in than there are seats. */
        ROOM_LIMIT_LOW(Severity.ODD, Place.SEATS),
        ALL_KEPT_BACK(Severity.ODD, Place.SEATS),
        MINIMUM_ABOVE_SEATS(Severity.ODD, Place.SEATS),
        SAME_TIME_TWICE(Severity.ODD, Place.DATES),
        OUT_OF_ORDER(Severity.ODD, Place.DATES),
        /** Most of those who came before would be asleep. */
        ASLEEP(Severity.ODD, Place.DATES),
        ONE_OPTION(Severity.ODD, Place.INTAKE),
        NO_LINK_REMINDER(Severity.ODD, Place.MESSAGES),
        /** Words of a message name something that is no more. */
        NAME_GONE(Severity.ODD, Place.MESSAGES),
        /** Words name a text of whoever leads, who has none; that of the house stands in. */
        HOST_WITHOUT_TEXT(Severity.REMARK, Place.MESSAGES),
        LINK_PENDING(Severity.REMARK, Place.VENUE),
        CLOCK_CHANGE(Severity.REMARK, Place.DATES),
        /** People who are registered see a later date at another hour. */
        CLOCK_SHIFT(Severity.REMARK, Place.DATES);

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
        /** Probably a mistake; publishing asks once. */
        ODD,
        /** Worth knowing. */
        REMARK
    }

    /** The part of the sheet a finding stands beside. */
    public enum Place {
        SUMMARY,
        DESCRIPTION,
        VENUE,
        HOSTS,
        SEATS,
        REGISTRATION,
        INTAKE,
        DATES,
        HOURS,
        MESSAGES
    }

    /** About one date, or the offering as a whole. */
    public Finding(Kind kind, @Nullable Long session, @Nullable Instant at, int count, String detail) {
        this(kind, session, at, count, detail, 1);
    }

    /** The same of so many dates, of which this is the first. */
    Finding onDates(int all) {
        return new Finding(kind, session, at, count, detail, all);
    }

    static Finding about(Kind kind) {
        return new Finding(kind, null, null, 0, "");
    }

    static Finding about(Kind kind, int count) {
        return new Finding(kind, null, null, count, "");
    }

    static Finding on(long session, Kind kind, int count, String detail) {
        return new Finding(kind, session, null, count, detail);
    }
}
