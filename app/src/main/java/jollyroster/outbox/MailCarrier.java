package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
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
    private final HandedOver handedOver;

    MailCarrier(
            @Qualifier("mailServer") OutsideService server,
            MailChannel mail,
            LetterWriter writer,
            Letters letters,
            DispatchCommands dispatch,
            HandedOver handedOver) {
        this.handedOver = handedOver;
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

    /** What only the tray takes is noted in a file first: it is so fast that the store would set the pace. */
    @Override
    public Parcel write(Claim claim, Optional<Letters.Facts> facts, Instant now) {
        Letter letter = facts.map(known -> writer.about(claim, known, now))
                .orElseGet(() -> writer.standing(claim, letters.sender(), now));
        return () -> {
            mail.deliver(letter);
            if (mail.reachesPeople()) {
                dispatch.sent(claim, letter.subject(), letter.packed(), now);
            } else {
                handedOver.note(new HandedOver.Taken(claim.id(), claim.key(), letter.subject(), now));
            }
        };
    }
}
