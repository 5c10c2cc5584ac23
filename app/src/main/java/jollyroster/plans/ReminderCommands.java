package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.PlanLineCommands;
import jollyroster.platform.Actor;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes when an offering reminds, and plans anew what has not gone yet. */
@Component
public class ReminderCommands {

    private final PlanLineCommands plans;
    private final SessionCommands sessions;
    private final NoticeCommands notices;
    private final Clock clock;

    ReminderCommands(PlanLineCommands plans, SessionCommands sessions, NoticeCommands notices, Clock clock) {
        this.plans = plans;
        this.sessions = sessions;
        this.notices = notices;
        this.clock = clock;
    }

    /** What came of a change of a plan. */
    public sealed interface Changed {

        /** @param people whose reminders were planned anew */
        record Done(PlanLine line, int people) implements Changed {}

        record Refused(PlanText.Problem problem) implements Changed {}
    }

    /** Adds a reminder, as it was typed. */
    @Transactional
    public Changed add(long offering, String typed, Actor actor) {
        actor.requireOrganiser();
        PlanText.Added added = PlanText.add(plans.of(offering), typed);
        if (added instanceof PlanText.Added.Line more) {
            plans.add(offering, more.line());
            return new Changed.Done(more.line(), follow(offering));
        }
        return new Changed.Refused(((PlanText.Added.Refused) added).problem());
    }

    /** Takes a reminder out of the plan. @return how many people's reminders were planned anew; empty when it was not in it */
    @Transactional
    public Optional<Integer> remove(long offering, PlanLine line, Actor actor) {
        actor.requireOrganiser();
        boolean gone = line.anchor() == Anchor.BEFORE_START && plans.remove(offering, line);
        return gone ? Optional.of(follow(offering)) : Optional.empty();
    }

    private int follow(long offering) {
        Instant now = clock.instant();
        return sessions.ofOffering(offering).stream()
                .filter(s -> s.start().isAfter(now))
                .mapToInt(notices::followPlan)
                .sum();
    }
}
