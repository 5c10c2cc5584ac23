package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;

/** Letters as they left, for the page of a message. Answered by a channel that keeps copies. */
public interface SentMail {

    /** The latest copy of the letter with this key; empty when none left, or none is kept. */
    Optional<Mail> byKey(String key);

    /** A letter as it arrived. @param calendar empty when there was none */
    record Mail(
            String from,
            String to,
            String subject,
            String messageId,
            Instant arrived,
            String text,
            String html,
            String calendar) {}
}
