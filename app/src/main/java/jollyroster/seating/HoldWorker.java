package jollyroster.seating;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Lets holds and call-ups run out on time, and gives their seats on. */
@Component
public class HoldWorker {

    private static final Logger LOG = LoggerFactory.getLogger(HoldWorker.class);
    private static final int MOST_ROUNDS = 1000;
    private final WaitlistCommands waitlist;
    private final boolean auto;

    HoldWorker(WaitlistCommands waitlist, @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.waitlist = waitlist;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 1000)
    void tick() {
        if (auto) {
            try {
                letRunOut();
            } catch (RuntimeException outage) {
                LOG.error("Holds wait to run out and are tried again: {}", outage.toString());
            }
        }
    }

    /** Lets everything run out whose time is over now. @return how many holds and call-ups */
    public synchronized int letRunOut() {
        int sum = 0;
        for (int round = 0, let = 1; let > 0 && round < MOST_ROUNDS; round++) {
            let = waitlist.letRunOut();
            sum += let;
        }
        return sum;
    }
}
