package jollyroster.outbox;

import java.time.ZoneId;
import jollyroster.core.messages.Timing;

/**
 * Whom messages are planned for.
 *
 * @param zone the person's own
 * @param timing what the times of the session's messages are counted from
 * @param sequence of the session, so that what is planned after a change is not taken for what was planned before
 */
public record Recipient(
        long registration,
        long session,
        long offering,
        String email,
        ZoneId zone,
        String title,
        Timing timing,
        int sequence,
        boolean reminded) {}
