package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.VENUE;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads offerings, sessions and venues. */
@Component
public class ProgrammeQueries {

    private static final int MOST_SESSIONS = 2000;
    private final Reads reads;

    ProgrammeQueries(Reads reads) {
        this.reads = reads;
    }

    public Optional<Offering> offering(long id) {
        return RowQueries.offerings(reads.sql()).where(OFFERING.ID.eq(id)).fetchOptional(RowQueries::offering);
    }

    /** The offering with this name in addresses, unless it is a draft. */
    public Optional<Offering> shown(String slug) {
        return RowQueries.offerings(reads.sql())
                .where(OFFERING.SLUG.eq(slug))
                .and(OFFERING.STATUS.ne(OfferingStatus.DRAFT.name()))
                .fetchOptional(RowQueries::offering);
    }

    /** All offerings, by title. */
    public List<Offering> offerings() {
        return RowQueries.offerings(reads.sql()).orderBy(OFFERING.TITLE).fetch(RowQueries::offering);
    }

    public Optional<Session> session(long id) {
        return RowQueries.sessions(reads.sql()).where(SESSION.ID.eq(id)).fetchOptional(RowQueries::session);
    }

    /** These sessions, in no order. */
    public List<Session> sessions(Collection<Long> ids) {
        return RowQueries.sessions(reads.sql()).where(SESSION.ID.in(ids)).fetch(RowQueries::session);
    }

    /** The sessions of an offering in order of time. */
    public List<Session> sessionsOf(long offering) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.OFFERING_ID.eq(offering))
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .limit(MOST_SESSIONS)
                .fetch(RowQueries::session);
    }

    /** Sessions that end after {@code from} and start before {@code to}, in order of time. */
    public List<Session> between(Instant from, Instant to) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.STARTS_AT.lt(to))
                .and(SESSION.STARTS_AT.gt(from.minus(jollyroster.core.dates.SessionTime.LONGEST)))
                .and(SESSION.ENDS_AT.gt(from))
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .limit(MOST_SESSIONS)
                .fetch(RowQueries::session);
    }

    /** Sessions to come of published offerings, in order of time. */
    public List<Session> publishedAfter(Instant now) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.STARTS_AT.gt(now))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(OFFERING.STATUS.eq(OfferingStatus.PUBLISHED.name()))
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .limit(MOST_SESSIONS)
                .fetch(RowQueries::session);
    }

    /** Sessions to come of every offering, drafts included, in order of time. */
    public List<Session> coming(Instant now) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.STARTS_AT.gt(now))
                .and(SESSION.STATUS.eq("OPEN"))
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .limit(MOST_SESSIONS)
                .fetch(RowQueries::session);
    }

    public List<AskedQuestion> questions(long offering) {
        return RowQueries.questions(reads.sql(), offering);
    }

    public List<Venue> venues() {
        return reads.sql().selectFrom(VENUE).orderBy(VENUE.NAME).fetch(RowQueries::venue);
    }
}
