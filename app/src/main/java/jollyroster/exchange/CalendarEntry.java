package jollyroster.exchange;

import java.time.Instant;
import java.time.ZoneId;

/**
 * One session in a calendar.
 *
 * @param uid the same for as long as the session lives
 * @param sequence counts up with every change that calendars must follow (RFC 5545, 3.8.7.4)
 * @param place an address or a link; empty for none
 * @param link where to go for more; empty for none
 * @param zone on whose wall clock it is held
 * @param changedAt when what it says last changed (LAST-MODIFIED)
 */
public record CalendarEntry(
        String uid,
        int sequence,
        String title,
        String description,
        String place,
        String link,
        Instant start,
        Instant end,
        ZoneId zone,
        Instant changedAt,
        boolean cancelled) {}
