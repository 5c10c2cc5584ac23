package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Facts;
import jollyroster.platform.tables.tables.records.MessageRecord;

/**
 * A message in the worker's hands.
 *
 * @param kind the letter's kind; empty when the message brings its words, or is about a registration
 * @param given what its template is given besides how things stand
 */
record Claim(
        long id,
        String key,
        long registration,
        long session,
        Anchor anchor,
        Channel channel,
        Audience audience,
        String recipient,
        String subject,
        String body,
        Optional<LetterKind> kind,
        Facts given,
        String calendar,
        int attempts,
        Instant due) {

    static Claim of(MessageRecord m) {
        return new Claim(
                m.getId(),
                m.getMessageKey(),
                m.getRegistrationId(),
                m.getSessionId(),
                Anchor.valueOf(m.getAnchor()),
                Channel.valueOf(m.getChannel()),
                Audience.of(m.getAudience()).orElse(Audience.EVERYBODY),
                m.getRecipient(),
                m.getSubject(),
                m.getBody(),
                m.getTemplate().isEmpty() ? Optional.empty() : Optional.of(LetterKind.valueOf(m.getTemplate())),
                Facts.read(m.getGiven()),
                m.getCalendar(),
                m.getAttempts(),
                m.getDueAt());
    }
}
