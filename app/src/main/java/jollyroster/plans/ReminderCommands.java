package jollyroster.plans;

import java.util.List;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.PlanLineCommands;
import jollyroster.platform.Actor;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes when an offering writes to people, and plans anew what has not gone yet. */
@Component
public class ReminderCommands {

    private final PlanLineCommands plans;
    private final Followers followers;

    ReminderCommands(PlanLineCommands plans, Followers followers) {
        this.plans = plans;
        this.followers = followers;
    }

    /** What came of a change of a plan. */
    public sealed interface Changed {

        /** @param lines it is about @param people whose messages were planned anew */
        record Done(List<PlanLine> lines, int people) implements Changed {}

        record Refused(PlanText.Problem problem) implements Changed {}

        /** There was nothing to change. */
        record Nothing() implements Changed {}
    }

    /** Adds what was typed, for this offering alone. */
    @Transactional
    public Changed add(long offering, String typed, Actor actor) {
        actor.requireOrganiser();
        PlanText.Added added = PlanText.add(plans.of(offering), typed);
        if (added instanceof PlanText.Added.Lines more) {
            List<PlanLine> house = plans.plan(offering).house();
            more.lines().forEach(line -> {
                if (house.contains(line)) {
                    plans.turn(offering, line, true);
                } else {
                    plans.add(offering, line);
                }
            });
            return new Changed.Done(more.lines(), followers.follow(offering));
        }
        return new Changed.Refused(((PlanText.Added.Refused) added).problem());
    }

    /** Takes a line out of the plan: one of its own for good, one of the house for this offering alone. */
    @Transactional
    public Changed remove(long offering, PlanLine line, Actor actor) {
        actor.requireOrganiser();
        OfferingPlan plan = plans.plan(offering);
        if (line.isFixed() || !plan.all().contains(line)) {
            return new Changed.Nothing();
        }
        if (plan.isOwn(line)) {
            plans.remove(offering, line);
        } else {
            plans.turn(offering, line, false);
        }
        return new Changed.Done(List.of(line), followers.follow(offering));
    }

    /** Switches a line on or off, for this offering alone. */
    @Transactional
    public Changed turn(long offering, PlanLine line, boolean on, Actor actor) {
        actor.requireOrganiser();
        OfferingPlan plan = plans.plan(offering);
        if (line.isFixed() || !plan.all().contains(line) || plan.isOn(line) == on) {
            return new Changed.Nothing();
        }
        plans.turn(offering, line, on);
        return new Changed.Done(List.of(line), followers.follow(offering));
    }

    /**
     * Has an offering follow a plan of the house, in the place of all it had for itself alone.
     *
     * @param house 0 for none: it keeps the lines that count now as its own
     */
    @Transactional
    public Changed follow(long offering, long house, Actor actor) {
        actor.requireOrganiser();
        List<PlanLine> before = plans.of(offering);
        plans.clear(offering);
        if (house > 0) {
            plans.follow(offering, house);
        } else {
            before.forEach(line -> plans.add(offering, line));
        }
        plans.add(offering, PlanLine.atOnce());
        return new Changed.Done(plans.of(offering), followers.follow(offering));
    }

    /** Drops all that an offering has for itself alone beside the plan of the house. */
    @Transactional
    public Changed asTheHouse(long offering, Actor actor) {
        actor.requireOrganiser();
        plans.forgetOwn(offering);
        plans.add(offering, PlanLine.atOnce());
        return new Changed.Done(plans.of(offering), followers.follow(offering));
    }
}
