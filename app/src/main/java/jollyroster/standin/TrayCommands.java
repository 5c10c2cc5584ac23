package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TRAY_MAIL;

import jakarta.mail.MessagingException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import jollyroster.outbox.Letter;
import jollyroster.outbox.MailChannel;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.Writes;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The mail tray: where letters arrive as long as no mail server is configured. Like a mail server it refuses some
 * addresses: those whose name begins with {@code no-such-box}.
 */
@Component
@ConditionalOnExpression("'${spring.mail.host:}'.isEmpty()")
public class TrayCommands implements MailChannel {

    private final Writes writes;
    private final Clock clock;

    TrayCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    @Override
    public boolean reachesPeople() {
        return false;
    }

    @Override
    @Transactional
    public void deliver(Letter letter) throws NotDelivered {
        if (letter.to().startsWith("no-such-box")) {
            throw new NotDelivered(
                    "the mail server refused the address: there is no such mailbox", NotDelivered.Kind.LASTING);
        }
        writes.sql()
                .insertInto(TRAY_MAIL)
                .set(TRAY_MAIL.MESSAGE_KEY, letter.key())
                .set(TRAY_MAIL.RECIPIENT, letter.to())
                .set(TRAY_MAIL.SUBJECT, letter.subject())
                .set(TRAY_MAIL.SOURCE, source(letter))
                .set(TRAY_MAIL.ARRIVED_AT, clock.instant())
                .execute();
    }

    private static byte[] source(Letter letter) throws NotDelivered {
        ByteArrayOutputStream source = new ByteArrayOutputStream();
        try {
            letter.toMime().writeTo(source);
        } catch (MessagingException e) {
            throw new NotDelivered("the address cannot be written to", NotDelivered.Kind.LASTING);
        } catch (IOException neverInMemory) {
            throw new java.io.UncheckedIOException(neverInMemory);
        }
        return source.toByteArray();
    }
}
