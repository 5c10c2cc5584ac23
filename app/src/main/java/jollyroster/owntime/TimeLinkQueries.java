package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.TIME_LINK;
import static jollyroster.platform.tables.Tables.TIME_LINK_HOST;
import static org.jooq.impl.DSL.multiset;
import static org.jooq.impl.DSL.select;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.dates.DayRange;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Reads;
import jollyroster.platform.tables.tables.records.TimeLinkRecord;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.springframework.stereotype.Component;

/** Reads the links that give one person one time. */
@Component
public class TimeLinkQueries {

    private static final int MOST = 200;
    private final Reads reads;
    private final PersonalLinks links;

    TimeLinkQueries(Reads reads, PersonalLinks links) {
        this.reads = reads;
        this.links = links;
    }

    /** The link a token belongs to, used or not; empty for any other text. */
    public Optional<TimeLink> of(String token) {
        return links.read(Purpose.ONE_TIME, token).flatMap(link -> of(reads.sql(), link));
    }

    /** The hosts a link names, read with it. */
    private static final Field<Set<Long>> HOSTS = multiset(select(TIME_LINK_HOST.ACCOUNT_ID)
                    .from(TIME_LINK_HOST)
                    .where(TIME_LINK_HOST.TIME_LINK_ID.eq(TIME_LINK.ID)))
            .convertFrom(hosts -> Set.copyOf(hosts.getValues(TIME_LINK_HOST.ACCOUNT_ID)));

    static Optional<TimeLink> of(DSLContext sql, Link link) {
        return sql.select(TIME_LINK, HOSTS)
                .from(TIME_LINK)
                .where(TIME_LINK.ID.eq(link.id()))
                .and(TIME_LINK.GENERATION.eq(link.generation()))
                .fetchOptional(r -> read(r.value1(), r.value2()));
    }

    /** The links of an offering, the newest first. */
    List<TimeLink> ofOffering(long offering) {
        return reads.sql()
                .select(TIME_LINK, HOSTS)
                .from(TIME_LINK)
                .where(TIME_LINK.OFFERING_ID.eq(offering))
                .orderBy(TIME_LINK.ID.desc())
                .limit(MOST)
                .fetch(r -> read(r.value1(), r.value2()));
    }

    private static TimeLink read(TimeLinkRecord r, Set<Long> hosts) {
        return new TimeLink(
                new Link(r.getId(), r.getGeneration()),
                r.getOfferingId(),
                r.getLabel(),
                hosts,
                new DayRange(
                        Optional.ofNullable(r.getFirstDay()).map(LocalDate::parse),
                        Optional.ofNullable(r.getLastDay()).map(LocalDate::parse)),
                Optional.ofNullable(r.getRegistrationId()),
                r.getIsRevoked());
    }
}
