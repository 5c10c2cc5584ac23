package jollyroster.standin;

import jakarta.mail.MessagingException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import jollyroster.outbox.Letter;
import jollyroster.outbox.MailChannel;
import jollyroster.platform.NotDelivered;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/**
 * The mail tray: where letters arrive as long as no mail server is configured. Like a mail server it refuses some
 * addresses: those whose name begins with {@code no-such-box}.
 */
@Component
@ConditionalOnExpression("'${spring.mail.host:}'.isEmpty()")
class Tray implements MailChannel {

    private final TrayCommands commands;

    Tray(TrayCommands commands) {
        this.commands = commands;
    }

    @Override
    public boolean reachesPeople() {
        return false;
    }

    /** The mail is put together before anything is written, so that no other write waits for it. */
    @Override
    public void deliver(Letter letter) throws NotDelivered {
        if (letter.to().startsWith("no-such-box")) {
            throw new NotDelivered(
                    "the mail server refused the address: there is no such mailbox", NotDelivered.Kind.LASTING);
        }
        commands.put(letter, source(letter));
    }

    private static byte[] source(Letter letter) throws NotDelivered {
        ByteArrayOutputStream source = new ByteArrayOutputStream();
        try {
            letter.toMime().writeTo(source);
        } catch (MessagingException e) {
            throw new NotDelivered("the address cannot be written to", NotDelivered.Kind.LASTING);
        } catch (IOException neverInMemory) {
            throw new UncheckedIOException(neverInMemory);
        }
        return source.toByteArray();
    }
}
