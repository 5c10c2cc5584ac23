package jollyroster.outbox;

import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * Whom messages are planned for.
 *
 * @param zone the person's own
 * @param start of the session, in the session's zone
 * @param sequence of the session, so that what is planned after a change is not taken for what was planned before
 */
public record Recipient(
        long registration,
        long session,
        long offering,
        String email,
        ZoneId zone,
        String title,
        ZonedDateTime start,
        int sequence,
        boolean reminded) {}
