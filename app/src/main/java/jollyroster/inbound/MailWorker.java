package jollyroster.inbound;

import jollyroster.platform.OutsideService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks for mail, and takes what has come. */
@Component
public class MailWorker {

    private static final Logger LOG = LoggerFactory.getLogger(MailWorker.class);
    private static final int BATCH = 50;
    private final InboundMail mailbox;
    private final MailReading reading;
    private final OutsideService service;

    MailWorker(InboundMail mailbox, MailReading reading, @Qualifier("mailboxService") OutsideService service) {
        this.mailbox = mailbox;
        this.reading = reading;
        this.service = service;
    }

    /** Takes what has come; a mailbox that is out is left alone for a while. */
    @Scheduled(fixedDelayString = "${jolly.imap.every-millis:5000}")
    public synchronized void look() {
        if (!service.isResting()) {
            service.ask(() -> {
                mailbox.each(BATCH, this::take);
                return true;
            });
        }
    }

    /** One that cannot be made sense of holds up no other. */
    private void take(byte[] source) {
        try {
            reading.take(source);
        } catch (RuntimeException bad) {
            LOG.error("A mail was left alone: {}", bad.toString());
        }
    }
}
