package jollyroster.outbox;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.OutsideService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Sends what is due, one letter after another, as long as the mail server answers. A letter is claimed, handed to the channel, then settled; if the process
 * dies in between, only the letter in hand may go twice, and it carries the same Message-ID.
 */
@Component
public class OutboxWorker {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxWorker.class);
    private static final int BATCH = 100;
    private final OutsideService server;
    private final DispatchCommands dispatch;
    private final DepartureQueries departures;
    private final Letters letters;
    private final Obstacles obstacles;
    private final LetterWriter writer;
    private final MailChannel mail;
    private final Clock clock;

    OutboxWorker(
            @Qualifier("mailServer") OutsideService server,
            DispatchCommands dispatch,
            DepartureQueries departures,
            Letters letters,
            Obstacles obstacles,
            LetterWriter writer,
            MailChannel mail,
            Clock clock) {
        this.server = server;
        this.dispatch = dispatch;
        this.departures = departures;
        this.letters = letters;
        this.obstacles = obstacles;
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

    /** Sends everything that is due now, unless the mail server is out. @return how many letters the channel took */
    public synchronized int sendDue() {
        int sent = 0;
        for (List<DispatchCommands.Claim> batch = claimed(); !batch.isEmpty(); batch = claimed()) {
            sent += send(batch);
        }
        return sent;
    }

    private List<DispatchCommands.Claim> claimed() {
        Instant now = clock.instant();
        return server.isResting() || departures.held().isPresent()
                ? List.of()
                : dispatch.claim(BATCH, now, now.plus(server.limit().multipliedBy(BATCH)));
    }

    private int send(List<DispatchCommands.Claim> batch) {
        int sent = 0;
        for (int i = 0; i < batch.size(); i++) {
            if (server.isResting()) {
                dispatch.putBack(batch.subList(i, batch.size()), "the mail server did not answer");
                return sent;
            }
            sent += isSent(batch.get(i)) ? 1 : 0;
        }
        return sent;
    }

    /** A letter that cannot be written fails by itself and holds up no other. */
    private boolean isSent(DispatchCommands.Claim claim) {
        try {
            return send(claim);
        } catch (RuntimeException bad) {
            LOG.error("Message {} cannot be written: {}", claim.id(), bad.toString());
            dispatch.failed(claim, "the e-mail could not be written", true, clock.instant());
            return false;
        }
    }

    private boolean send(DispatchCommands.Claim claim) {
        if (claim.anchor() == Anchor.LETTER) {
            return deliver(claim, writer.standing(claim, letters.sender(), clock.instant()));
        }
        Optional<Letters.Facts> facts = letters.facts(claim.registration(), claim.session());
        String obstacle =
                facts.map(f -> obstacles.of(claim, f, clock.instant())).orElse("the registration no longer exists");
        if (!obstacle.isEmpty()) {
            dispatch.withdraw(claim, obstacle, clock.instant());
            return false;
        }
        return deliver(claim, writer.about(claim, facts.orElseThrow(), clock.instant()));
    }

    private boolean deliver(DispatchCommands.Claim claim, Letter letter) {
        try {
            server.call(() -> {
                mail.deliver(letter);
                return letter;
            });
            dispatch.sent(claim, letter.subject(), clock.instant());
            return true;
        } catch (OutsideService.NoAnswer slow) {
            dispatch.putBack(List.of(claim), String.valueOf(slow.getMessage()));
        } catch (ExecutionException e) {
            if (!(e.getCause() instanceof MailChannel.NotDelivered why)) {
                throw new IllegalStateException(e.getCause());
            }
            notDelivered(claim, why);
        }
        return false;
    }

    private void notDelivered(DispatchCommands.Claim claim, MailChannel.NotDelivered why) {
        if (why.kind() == MailChannel.NotDelivered.Kind.OUTAGE) {
            server.failed();
            dispatch.putBack(List.of(claim), String.valueOf(why.getMessage()));
        } else {
            boolean lasting = why.kind() == MailChannel.NotDelivered.Kind.LASTING;
            dispatch.failed(claim, String.valueOf(why.getMessage()), lasting, clock.instant());
        }
    }
}
