package jollyroster.outbox;

import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.stream.Collectors;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.OutsideService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Sends what is due, one message after another, each channel as long as its service answers. A message is claimed, handed over, then
 * settled; if the process dies in between, only the message in hand may go twice, and it carries the same name. While a service takes some,
 * the next are written.
 */
@Component
public class OutboxWorker {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxWorker.class);
    private static final int BATCH = 100;
    private final List<Carrier> carriers;
    private final DispatchCommands dispatch;
    private final ClaimQueries claims;
    private final DepartureQueries departures;
    private final Letters letters;
    private final Obstacles obstacles;
    private final HandedOver handedOver;
    private final Clock clock;
    private boolean recovered;

    OutboxWorker(
            List<Carrier> carriers,
            DispatchCommands dispatch,
            ClaimQueries claims,
            DepartureQueries departures,
            Letters letters,
            Obstacles obstacles,
            HandedOver handedOver,
            Clock clock) {
        this.handedOver = handedOver;
        this.carriers = List.copyOf(carriers);
        this.dispatch = dispatch;
        this.claims = claims;
        this.departures = departures;
        this.letters = letters;
        this.obstacles = obstacles;
        this.clock = clock;
    }

    /** Before anything else is claimed, whoever comes first. */
    @EventListener(ApplicationReadyEvent.class)
    synchronized void recover() {
        if (!recovered) {
            takeUp();
            recovered = true;
        }
    }

    /** Takes up what a process that died had claimed; what it had handed over by then is sent. */
    synchronized void takeUp() {
        keep();
        int found = dispatch.releaseClaims();
        if (found > 0) {
            LOG.info("{} messages were on their way when the program stopped; they go again.", found);
        }
    }

    /** Sends everything that is due now, unless its service is out. @return how many messages were taken */
    @Scheduled(fixedDelay = 1000)
    public synchronized int sendDue() {
        recover();
        keep();
        return carriers.stream().mapToInt(this::sendDue).sum();
    }

    /** Keeps what was handed over as sent. */
    private void keep() {
        List<HandedOver.Taken> taken = handedOver.open();
        if (!taken.isEmpty()) {
            dispatch.sent(taken);
            handedOver.kept(taken);
        }
    }

    /** While some are handed over the next are written, and those before are settled. */
    private int sendDue(Carrier by) {
        int sent = 0;
        Optional<Running> running = begun(by, written(by));
        while (running.isPresent()) {
            Running over = running.get();
            List<Round.Ready> next = written(by);
            over.await();
            running = unlessOut(by, over.round(), next);
            sent += settled(by, over.round());
        }
        return sent;
    }

    /** Messages that are being handed over. */
    private record Running(Round round, OutsideService.Course<Boolean> course) {

        void await() {
            try {
                course.await();
            } catch (OutsideService.NoAnswer slow) {
                LOG.warn("{}", slow.getMessage());
            } catch (ExecutionException never) {
                throw new IllegalStateException(never.getCause());
            } finally {
                round.stop();
            }
        }
    }

    private Optional<Running> unlessOut(Carrier by, Round before, List<Round.Ready> next) {
        if (before.metOutage() || by.service().isResting()) {
            putBack(by, next.stream().map(Round.Ready::claim).toList());
            return Optional.empty();
        }
        return begun(by, next);
    }

    private void putBack(Carrier by, List<Claim> claims) {
        if (!claims.isEmpty()) {
            dispatch.putBack(claims, "the " + by.service().name() + " did not answer");
        }
    }

    private Optional<Running> begun(Carrier by, List<Round.Ready> batch) {
        if (batch.isEmpty()) {
            return Optional.empty();
        }
        Round round = new Round(batch, claim -> writtenAnew(by, claim));
        try {
            return Optional.of(new Running(round, by.service().begin(round, round::done)));
        } catch (OutsideService.NoAnswer busy) {
            dispatch.putBack(round.rest(0), String.valueOf(busy.getMessage()));
            return Optional.empty();
        }
    }

    /** @return how many were handed over */
    private int settled(Carrier by, Round round) {
        List<Round.Outcome> outcomes = round.outcomes();
        outcomes.forEach(outcome -> settle(by, outcome));
        putBack(by, round.rest(outcomes.size()));
        keep();
        return (int) outcomes.stream().filter(Round.Outcome::gone).count();
    }

    private void settle(Carrier by, Round.Outcome outcome) {
        if (outcome.trouble() instanceof NotDelivered why) {
            notDelivered(by, outcome.claim(), why);
        } else if (outcome.trouble() != null) {
            unwritten(outcome.claim(), outcome.trouble());
        }
    }

    /** The next that are due, written; empty when there are none, or none may go. */
    private List<Round.Ready> written(Carrier by) {
        List<Round.Ready> written = List.of();
        for (List<Claim> batch = claimed(by);
                written.isEmpty() && !batch.isEmpty();
                batch = written.isEmpty() ? claimed(by) : List.of()) {
            written = written(by, batch);
        }
        return written;
    }

    private List<Claim> claimed(Carrier by) {
        if (by.service().isResting() || departures.held().isPresent()) {
            return List.of();
        }
        Instant now = clock.instant();
        Set<Long> claimed = new HashSet<>(dispatch.claim(
                by.channel(), BATCH, now, now.plus(by.service().limit().multipliedBy(3L * BATCH))));
        List<Claim> read = claims.of(claimed);
        read.forEach(claim -> claimed.remove(claim.id()));
        if (!claimed.isEmpty()) {
            dispatch.unreadable(claimed, now);
        }
        return read;
    }

    /** Where the facts of one cannot be read, each is read by itself. */
    private List<Round.Ready> written(Carrier by, List<Claim> batch) {
        try {
            Map<Letters.Asked, Letters.Facts> facts = letters.facts(batch.stream()
                    .filter(claim -> claim.anchor() != Anchor.LETTER)
                    .map(OutboxWorker::asked)
                    .collect(Collectors.toSet()));
            return batch.stream()
                    .flatMap(claim -> written(by, claim, Optional.ofNullable(facts.get(asked(claim)))).stream())
                    .toList();
        } catch (RuntimeException bad) {
            if (batch.size() == 1) {
                unwritten(batch.get(0), bad);
                return List.of();
            }
            return batch.stream()
                    .flatMap(claim -> written(by, List.of(claim)).stream())
                    .toList();
        }
    }

    private static Letters.Asked asked(Claim claim) {
        return new Letters.Asked(claim.registration(), claim.session());
    }

    private Optional<Round.Ready> writtenAnew(Carrier by, Claim claim) {
        return written(by, List.of(claim)).stream().findFirst();
    }

    /** A message that cannot be written fails by itself and holds up no other. @return empty when it does not go */
    private Optional<Round.Ready> written(Carrier by, Claim claim, Optional<Letters.Facts> facts) {
        try {
            String obstacle = claim.anchor() == Anchor.LETTER
                    ? ""
                    : facts.map(f -> obstacles.of(claim, f, clock.instant()))
                            .orElse("the registration no longer exists");
            if (obstacle.isEmpty()) {
                return Optional.of(new Round.Ready(claim, by.write(claim, facts, clock.instant())));
            }
            dispatch.withdraw(claim, obstacle, clock.instant());
        } catch (RuntimeException bad) {
            unwritten(claim, bad);
        }
        return Optional.empty();
    }

    private void unwritten(Claim claim, Exception bad) {
        LOG.error("Message {} cannot be written: {}", claim.id(), bad.toString());
        dispatch.failed(claim, "it could not be written", true, clock.instant());
    }

    private void notDelivered(Carrier by, Claim claim, NotDelivered why) {
        if (why.kind() == NotDelivered.Kind.OUTAGE) {
            by.service().failed();
            dispatch.putBack(List.of(claim), String.valueOf(why.getMessage()));
        } else {
            boolean lasting = why.kind() == NotDelivered.Kind.LASTING;
            dispatch.failed(claim, String.valueOf(why.getMessage()), lasting, clock.instant());
        }
    }
}
