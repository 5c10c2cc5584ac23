package jollyroster.outbox;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.OutsideService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Sends what is due, one message after another, each channel as long as its service answers. A message is claimed, handed over, then
 * settled; if the process dies in between, only the message in hand may go twice, and it carries the same name.
 */
@Component
public class OutboxWorker {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxWorker.class);
    private static final int BATCH = 100;
    private final List<Carrier> carriers;
    private final DispatchCommands dispatch;
    private final DepartureQueries departures;
    private final Letters letters;
    private final Obstacles obstacles;
    private final Clock clock;

    OutboxWorker(
            List<Carrier> carriers,
            DispatchCommands dispatch,
            DepartureQueries departures,
            Letters letters,
            Obstacles obstacles,
            Clock clock) {
        this.carriers = List.copyOf(carriers);
        this.dispatch = dispatch;
        this.departures = departures;
        this.letters = letters;
        this.obstacles = obstacles;
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

    /** Sends everything that is due now, unless its service is out. @return how many messages were taken */
    public synchronized int sendDue() {
        return carriers.stream().mapToInt(this::sendDue).sum();
    }

    private int sendDue(Carrier by) {
        int sent = 0;
        for (List<DispatchCommands.Claim> batch = claimed(by); !batch.isEmpty(); batch = claimed(by)) {
            sent += send(by, batch);
        }
        return sent;
    }

    private List<DispatchCommands.Claim> claimed(Carrier by) {
        Instant now = clock.instant();
        return by.service().isResting() || departures.held().isPresent()
                ? List.of()
                : dispatch.claim(
                        by.channel(), BATCH, now, now.plus(by.service().limit().multipliedBy(BATCH)));
    }

    private int send(Carrier by, List<DispatchCommands.Claim> batch) {
        int sent = 0;
        for (int i = 0; i < batch.size(); i++) {
            if (by.service().isResting()) {
                dispatch.putBack(
                        batch.subList(i, batch.size()), "the " + by.service().name() + " did not answer");
                return sent;
            }
            sent += isSent(by, batch.get(i)) ? 1 : 0;
        }
        return sent;
    }

    /** A message that cannot be written fails by itself and holds up no other. */
    private boolean isSent(Carrier by, DispatchCommands.Claim claim) {
        try {
            return send(by, claim);
        } catch (RuntimeException bad) {
            LOG.error("Message {} cannot be written: {}", claim.id(), bad.toString());
            dispatch.failed(claim, "it could not be written", true, clock.instant());
            return false;
        }
    }

    private boolean send(Carrier by, DispatchCommands.Claim claim) {
        if (claim.anchor() == Anchor.LETTER) {
            return carry(by, claim, Optional.empty());
        }
        Optional<Letters.Facts> facts = letters.facts(claim.registration(), claim.session());
        String obstacle =
                facts.map(f -> obstacles.of(claim, f, clock.instant())).orElse("the registration no longer exists");
        if (!obstacle.isEmpty()) {
            dispatch.withdraw(claim, obstacle, clock.instant());
            return false;
        }
        return carry(by, claim, facts);
    }

    private boolean carry(Carrier by, DispatchCommands.Claim claim, Optional<Letters.Facts> facts) {
        try {
            by.carry(claim, facts, clock.instant());
            return true;
        } catch (OutsideService.NoAnswer slow) {
            dispatch.putBack(List.of(claim), String.valueOf(slow.getMessage()));
        } catch (ExecutionException e) {
            if (!(e.getCause() instanceof NotDelivered why)) {
                throw new IllegalStateException(e.getCause());
            }
            notDelivered(by, claim, why);
        }
        return false;
    }

    private void notDelivered(Carrier by, DispatchCommands.Claim claim, NotDelivered why) {
        if (why.kind() == NotDelivered.Kind.OUTAGE) {
            by.service().failed();
            dispatch.putBack(List.of(claim), String.valueOf(why.getMessage()));
        } else {
            boolean lasting = why.kind() == NotDelivered.Kind.LASTING;
            dispatch.failed(claim, String.valueOf(why.getMessage()), lasting, clock.instant());
        }
    }
}
