package jollyroster.outbox;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** Letters as they left, for the page of a message. Answered by a channel that keeps copies. */
public interface SentMail {

    /** The latest copy of the letter with this key; empty when none left, or none is kept. */
    Optional<Mail> byKey(String key);

    /** A letter as it arrived. @param calendar empty when there was none @param files the names of all that was attached */
    record Mail(
            String from,
            String to,
            String subject,
            String messageId,
            Instant arrived,
            String text,
            String html,
            String calendar,
            List<String> files) {}

    /** A letter from its source. */
    static Mail read(byte[] source, Instant arrived) {
        return SentSource.read(source, arrived);
    }
}
