package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.TIME_LINK;
import static jollyroster.platform.tables.Tables.TIME_LINK_HOST;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Set;
import jollyroster.core.dates.DayRange;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.TimeLinkRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes links that give one person one time, and takes them back. */
@Component
public class TimeLinkCommands {

    private final Writes writes;
    private final Clock clock;

    TimeLinkCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** What a link is to be good for; see {@link TimeLink}. */
    public record Wish(long offering, String label, Set<Long> hosts, DayRange days) {}

    @Transactional
    public Link make(Wish wish, Actor actor) {
        actor.requireOrganiser();
        TimeLinkRecord row = writes.sql().newRecord(TIME_LINK);
        row.setGeneration(PersonalLinks.firstGeneration(clock.instant()));
        row.setOfferingId(wish.offering());
        row.setLabel(wish.label());
        row.setFirstDay(wish.days().first().map(LocalDate::toString).orElse(null));
        row.setLastDay(wish.days().last().map(LocalDate::toString).orElse(null));
        row.setCreatedAt(clock.instant());
        row.insert();
        wish.hosts()
                .forEach(host -> writes.sql()
                        .insertInto(TIME_LINK_HOST, TIME_LINK_HOST.TIME_LINK_ID, TIME_LINK_HOST.ACCOUNT_ID)
                        .values(row.getId(), host)
                        .execute());
        return new Link(row.getId(), row.getGeneration());
    }

    /** Takes a link back that nobody has used. */
    @Transactional
    public void revoke(long offering, long link, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(TIME_LINK)
                .set(TIME_LINK.IS_REVOKED, true)
                .where(TIME_LINK.ID.eq(link))
                .and(TIME_LINK.OFFERING_ID.eq(offering))
                .and(TIME_LINK.REGISTRATION_ID.isNull())
                .execute();
    }

    /** Whether a link is still good, as the write under way sees it. */
    boolean isGood(Link link) {
        return TimeLinkQueries.of(writes.sql(), link).filter(TimeLink::isGood).isPresent();
    }

    /** Notes who used a link, as part of the write that gives the time. */
    void use(Link link, long registration) {
        writes.sql()
                .update(TIME_LINK)
                .set(TIME_LINK.REGISTRATION_ID, registration)
                .where(TIME_LINK.ID.eq(link.id()))
                .execute();
    }
}
