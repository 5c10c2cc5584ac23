package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import jollyroster.core.messages.Channel;
import jollyroster.platform.OutsideService;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Takes e-mails to the mail server. */
@Component
class MailCarrier implements Carrier {

    private final OutsideService server;
    private final MailChannel mail;
    private final LetterWriter writer;
    private final Letters letters;
    private final DispatchCommands dispatch;

    MailCarrier(
            @Qualifier("mailServer") OutsideService server,
            MailChannel mail,
            LetterWriter writer,
            Letters letters,
            DispatchCommands dispatch) {
        this.server = server;
        this.mail = mail;
        this.writer = writer;
        this.letters = letters;
        this.dispatch = dispatch;
    }

    @Override
    public Channel channel() {
        return Channel.EMAIL;
    }

    @Override
    public OutsideService service() {
        return server;
    }

    @Override
    public void carry(DispatchCommands.Claim claim, Optional<Letters.Facts> facts, Instant now)
            throws OutsideService.NoAnswer, ExecutionException {
        Letter letter = facts.map(known -> writer.about(claim, known, now))
                .orElseGet(() -> writer.standing(claim, letters.sender(), now));
        server.call(() -> {
            mail.deliver(letter);
            return letter;
        });
        if (mail.reachesPeople()) {
            dispatch.sent(claim, letter, now);
        } else {
            dispatch.sent(claim, letter.subject(), now);
        }
    }
}
