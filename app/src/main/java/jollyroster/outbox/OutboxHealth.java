package jollyroster.outbox;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import jollyroster.platform.OutsideService;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.boot.health.contributor.Status;
import org.springframework.stereotype.Component;

/** Whether letters go and services answer. What waits for a service is not lost, so this is less than being down. */
@Component
class OutboxHealth implements HealthIndicator {

    private static final Status DEGRADED = new Status("DEGRADED");
    private static final Duration LATE = Duration.ofMinutes(15);
    private final UnsentQueries unsent;
    private final List<OutsideService> services;
    private final Clock clock;

    OutboxHealth(UnsentQueries unsent, List<OutsideService> services, Clock clock) {
        this.unsent = unsent;
        this.services = List.copyOf(services);
        this.clock = clock;
    }

    @Override
    public Health health() {
        List<String> out = services.stream()
                .filter(s -> s.outSince().isPresent())
                .map(OutsideService::name)
                .toList();
        int late = unsent.dueBefore(clock.instant().minus(LATE));
        return out.isEmpty() && late == 0
                ? Health.up().build()
                : Health.status(DEGRADED)
                        .withDetail("out", out)
                        .withDetail("late", late)
                        .build();
    }
}
