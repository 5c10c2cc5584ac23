package jollyroster.schedule;

import jollyroster.platform.Actor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** At each start: whether the program runs with other zone data than the times in the store were derived from. */
@Component
@Order(1)
class ZoneDataWatch implements ApplicationRunner {

    private static final Actor ACTOR = new Actor.Program("zone data");
    private static final Logger LOG = LoggerFactory.getLogger(ZoneDataWatch.class);
    private final ClockChangeCommands changes;

    ZoneDataWatch(ClockChangeCommands changes) {
        this.changes = changes;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        int moved = changes.follow(ACTOR);
        if (moved > 0) {
            LOG.warn("Clocks change otherwise than was known: {} sessions keep their time on the wall.", moved);
        }
    }
}
