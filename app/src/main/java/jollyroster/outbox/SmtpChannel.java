package jollyroster.outbox;

import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import java.util.Arrays;
import jollyroster.platform.NotDelivered;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.stereotype.Component;

/** Sends by the mail server that {@code spring.mail.*} names. */
@Component
@ConditionalOnExpression("!'${spring.mail.host:}'.isEmpty()")
class SmtpChannel implements MailChannel {

    private final JavaMailSender sender;

    SmtpChannel(JavaMailSender sender) {
        this.sender = sender;
    }

    @Override
    public void deliver(Letter letter) throws NotDelivered {
        try {
            sender.send(letter.toMime());
        } catch (MailAuthenticationException e) {
            throw new NotDelivered("the mail server refused the sign-in", NotDelivered.Kind.OUTAGE);
        } catch (MailSendException e) {
            boolean refused = Arrays.stream(e.getMessageExceptions()).anyMatch(SendFailedException.class::isInstance);
            throw refused
                    ? new NotDelivered("the mail server refused the address", NotDelivered.Kind.LASTING)
                    : new NotDelivered("the mail server did not answer", NotDelivered.Kind.OUTAGE);
        } catch (MailException e) {
            throw new NotDelivered("the mail server did not answer", NotDelivered.Kind.OUTAGE);
        } catch (MessagingException e) {
            throw new NotDelivered("the address cannot be written to", NotDelivered.Kind.LASTING);
        }
    }
}
