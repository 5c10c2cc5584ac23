package jollyroster.plans;

import java.util.Collection;
import java.util.List;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.HoursCommands;
import jollyroster.outbox.HoursQueries;
import jollyroster.platform.Actor;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes when people may be written to, and plans anew what has not gone yet. */
@Component
public class WritingHoursCommands {

    private final HoursCommands hours;
    private final Followers followers;

    WritingHoursCommands(HoursCommands hours, Followers followers) {
        this.hours = hours;
        this.followers = followers;
    }

    /** Sets hours of one offering. @return how many registrations follow */
    @Transactional
    public int set(long offering, WritingHours wanted, Actor actor) {
        actor.requireOrganiser();
        hours.set(offering, wanted);
        return followers.follow(List.of(offering));
    }

    /** Has an offering follow the hours of the house again. @return how many registrations follow */
    @Transactional
    public int asTheHouse(long offering, Actor actor) {
        actor.requireOrganiser();
        hours.forget(offering);
        return followers.follow(List.of(offering));
    }

    /** Sets hours of the house. @param without hours of their own @return how many registrations follow */
    @Transactional
    public int setHouse(WritingHours wanted, Collection<Long> without, Actor actor) {
        actor.requireOrganiser();
        hours.set(HoursQueries.HOUSE, wanted);
        return followers.follow(without);
    }
}
