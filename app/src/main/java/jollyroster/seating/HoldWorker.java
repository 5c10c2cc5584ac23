package jollyroster.seating;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import jollyroster.platform.Actor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Lets holds and call-ups run out on time, and gives their seats on. One that cannot be let go holds up no other. */
@Component
public class HoldWorker {

    static final Actor ACTOR = new Actor.Program("holds");
    private static final Logger LOG = LoggerFactory.getLogger(HoldWorker.class);
    private static final int BATCH = 100;
    private static final int MOST_ROUNDS = 1000;
    private final HoldCommands holds;

    HoldWorker(HoldCommands holds) {
        this.holds = holds;
    }

    /** Lets everything run out whose time is over now. @return how many holds and call-ups */
    @Scheduled(fixedDelay = 1000)
    public synchronized int letRunOut() {
        Set<Long> failed = new HashSet<>();
        int sum = 0;
        for (int round = 0; round < MOST_ROUNDS; round++) {
            List<Long> over = holds.overdue(BATCH + failed.size()).stream()
                    .filter(id -> !failed.contains(id))
                    .toList();
            if (over.isEmpty()) {
                return sum;
            }
            for (long registration : over) {
                sum += isLetGo(registration, failed) ? 1 : 0;
            }
        }
        return sum;
    }

    private boolean isLetGo(long registration, Set<Long> failed) {
        try {
            holds.letRunOut(registration, ACTOR);
            return true;
        } catch (RuntimeException bad) {
            failed.add(registration);
            LOG.error(
                    "The hold of registration {} cannot be let go and is tried again: {}",
                    registration,
                    bad.toString());
            return false;
        }
    }
}
