package jollyroster.outbox;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Sends what is due, one letter after another. A letter is claimed, handed to the channel, then settled; if the process
 * dies in between, only the letter in hand may go twice, and it carries the same Message-ID.
 */
@Component
public class OutboxWorker {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxWorker.class);
    private static final int BATCH = 100;
    private final DispatchCommands dispatch;
    private final Letters letters;
    private final LetterWriter writer;
    private final MailChannel mail;
    private final Clock clock;

    OutboxWorker(DispatchCommands dispatch, Letters letters, LetterWriter writer, MailChannel mail, Clock clock) {
        this.dispatch = dispatch;
        this.letters = letters;
        this.writer = writer;
        this.mail = mail;
        this.clock = clock;
    }

    /** Takes up what a process that died had claimed. */
    @EventListener(ApplicationReadyEvent.class)
    void recover() {
        int found = dispatch.releaseClaims();
        if (found > 0) {
            LOG.info("{} messages were on their way when the program stopped; they go again.", found);
        }
    }

    /** Sends everything that is due now. @return how many letters the channel took */
    public synchronized int sendDue() {
        int sent = 0;
        List<DispatchCommands.Claim> batch = dispatch.claim(BATCH, clock.instant());
        while (!batch.isEmpty()) {
            sent += (int) batch.stream().filter(this::send).count();
            batch = dispatch.claim(BATCH, clock.instant());
        }
        return sent;
    }

    private boolean send(DispatchCommands.Claim claim) {
        if (claim.anchor() == Anchor.LETTER) {
            return deliver(claim, writer.plain(claim, letters.sender(), clock.instant()));
        }
        Optional<Letters.Facts> facts = letters.facts(claim.registration(), claim.session());
        String obstacle = facts.map(f -> obstacle(claim.anchor(), f)).orElse("the registration no longer exists");
        if (!obstacle.isEmpty()) {
            dispatch.withdraw(claim, obstacle, clock.instant());
            return false;
        }
        if (claim.anchor() == Anchor.WRITTEN) {
            return deliver(claim, writer.written(claim, facts.orElseThrow(), clock.instant()));
        }
        return deliver(
                claim,
                writer.write(claim.key(), claim.anchor(), claim.subject(), facts.orElseThrow(), clock.instant()));
    }

    private boolean deliver(DispatchCommands.Claim claim, Letter letter) {
        try {
            mail.deliver(letter);
            dispatch.sent(claim, clock.instant());
            return true;
        } catch (MailChannel.NotDelivered e) {
            dispatch.failed(claim, String.valueOf(e.getMessage()), e.isLasting(), clock.instant());
            return false;
        }
    }

    /** A last look before a reminder goes: things may have changed since it was claimed. */
    private String obstacle(Anchor anchor, Letters.Facts facts) {
        if (anchor.isAnswer()) {
            return "";
        }
        if (facts.standing() != Letters.Standing.SEATED) {
            return "no longer holds a seat";
        }
        if (facts.sessionCancelled()) {
            return "the session was cancelled";
        }
        return facts.end().isAfter(clock.instant()) ? "" : "the session was over before it could be sent";
    }
}
