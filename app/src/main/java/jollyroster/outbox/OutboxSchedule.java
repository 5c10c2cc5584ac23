package jollyroster.outbox;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;

/** Turns the worker's crank every second. Tests switch it off and turn it by hand. */
@Configuration
@EnableScheduling
@ConditionalOnProperty(name = "jolly.jobs.auto", havingValue = "true", matchIfMissing = true)
class OutboxSchedule {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxSchedule.class);
    private final OutboxWorker worker;

    OutboxSchedule(OutboxWorker worker) {
        this.worker = worker;
    }

    @Scheduled(fixedDelay = 1000)
    void turn() {
        try {
            worker.sendDue();
        } catch (RuntimeException outage) {
            LOG.error("The outbox paused and tries again: {}", outage.toString());
        }
    }
}
