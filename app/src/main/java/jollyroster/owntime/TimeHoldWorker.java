package jollyroster.owntime;

import java.time.Clock;
import jollyroster.platform.Actor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Clears away times that are held no more. They are free from the moment their time is over, cleared away or not. */
@Component
public class TimeHoldWorker {

    private static final Logger LOG = LoggerFactory.getLogger(TimeHoldWorker.class);
    private static final Actor ACTOR = new Actor.Program("times held");
    private final TimeHoldCommands holds;
    private final Clock clock;
    private final boolean auto;

    TimeHoldWorker(TimeHoldCommands holds, Clock clock, @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.holds = holds;
        this.clock = clock;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 10_000)
    void tick() {
        if (auto) {
            try {
                clearAway();
            } catch (RuntimeException outage) {
                LOG.error("Times that are held no more wait to be cleared away: {}", outage.toString());
            }
        }
    }

    /** @return how many were cleared away */
    public int clearAway() {
        return holds.forget(clock.instant(), ACTOR);
    }
}
