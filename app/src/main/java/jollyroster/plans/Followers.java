package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;

/** Plans anew the messages of all who are registered for a date to come, in the write that changed a plan. */
@Component
class Followers {

    private final SessionCommands sessions;
    private final NoticeCommands notices;
    private final Clock clock;

    Followers(SessionCommands sessions, NoticeCommands notices, Clock clock) {
        this.sessions = sessions;
        this.notices = notices;
        this.clock = clock;
    }

    /** @return how many registrations it is about */
    int follow(long offering) {
        Instant now = clock.instant();
        return sessions.ofOffering(offering).stream()
                .filter(s -> s.start().isAfter(now))
                .mapToInt(notices::followPlan)
                .sum();
    }

    int follow(Collection<Long> offerings) {
        return offerings.stream().mapToInt(this::follow).sum();
    }
}
