package jollyroster.owntime;

import java.time.Clock;
import jollyroster.platform.Actor;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Clears away times that are held no more. They are free from the moment their time is over, cleared away or not. */
@Component
public class TimeHoldWorker {

    private static final Actor ACTOR = new Actor.Program("times held");
    private final TimeHoldCommands holds;
    private final Clock clock;

    TimeHoldWorker(TimeHoldCommands holds, Clock clock) {
        this.holds = holds;
        this.clock = clock;
    }

    /** @return how many were cleared away */
    @Scheduled(fixedDelay = 10_000)
    public int clearAway() {
        return holds.forget(clock.instant(), ACTOR);
    }
}
