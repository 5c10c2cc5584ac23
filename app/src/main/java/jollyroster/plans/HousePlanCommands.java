package jollyroster.plans;

import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.HouseLineCommands;
import jollyroster.outbox.PlanQueries;
import jollyroster.outbox.PlanQueries.House;
import jollyroster.plans.ReminderCommands.Changed;
import jollyroster.platform.Actor;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes plans of the house; every offering that follows one follows in the same write. */
@Component
public class HousePlanCommands {

    private final HouseLineCommands lines;
    private final PlanQueries plans;
    private final Followers followers;

    HousePlanCommands(HouseLineCommands lines, PlanQueries plans, Followers followers) {
        this.lines = lines;
        this.plans = plans;
        this.followers = followers;
    }

    /** Makes a plan of the house with the default reminders; empty when there is one of that name. */
    @Transactional
    public Optional<Long> make(String name, Actor actor) {
        actor.requireOrganiser();
        Optional<Long> made = lines.make(name);
        made.ifPresent(plan ->
                PlanLine.DEFAULT.stream().filter(line -> !line.isFixed()).forEach(line -> lines.add(plan, line)));
        return made;
    }

    @Transactional
    public boolean rename(long plan, String name, Actor actor) {
        actor.requireOrganiser();
        return lines.rename(plan, name);
    }

    @Transactional
    public Changed add(long plan, String typed, Actor actor) {
        actor.requireOrganiser();
        House house = plans.house(plan).orElseThrow();
        PlanText.Added added = PlanText.add(house.lines(), typed);
        if (added instanceof PlanText.Added.Lines more) {
            more.lines().forEach(line -> lines.add(plan, line));
            return new Changed.Done(more.lines(), followers.follow(house.followers()));
        }
        return new Changed.Refused(((PlanText.Added.Refused) added).problem());
    }

    @Transactional
    public Changed remove(long plan, PlanLine line, Actor actor) {
        actor.requireOrganiser();
        House house = plans.house(plan).orElseThrow();
        return lines.remove(plan, line)
                ? new Changed.Done(List.of(line), followers.follow(house.followers()))
                : new Changed.Nothing();
    }

    /** Drops a plan that no offering follows. @return whether it is gone */
    @Transactional
    public boolean drop(long plan, Actor actor) {
        actor.requireOrganiser();
        boolean free =
                plans.house(plan).filter(house -> house.followers().isEmpty()).isPresent();
        if (free) {
            lines.drop(plan);
        }
        return free;
    }
}
