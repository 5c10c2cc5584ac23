package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.SESSION_HOST;
import static jollyroster.platform.tables.Tables.VENUE;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.WallClock;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.OfferingRecord;
import jollyroster.platform.tables.tables.records.SessionRecord;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets the dates of offerings. Organisers only, but for what a registration or the meeting service causes. */
@Component
public class SessionCommands {

    private final Writes writes;
    private final SeatCounts counts;
    private final Clock clock;
    private final Remembered<Long, Optional<Session>> known;
    private final Remembered<Long, List<Session>> knownDates;

    SessionCommands(Writes writes, SeatCounts counts, TableChanges changes, Clock clock) {
        this.known = new Remembered<>(changes, 1000, "session", "offering", "venue");
        this.knownDates = new Remembered<>(changes, 100, "session", "offering", "venue");
        this.writes = writes;
        this.counts = counts;
        this.clock = clock;
    }

    /**
     * A session to add.
     *
     * @param seats empty for the offering's usual number
     * @param venue {@code null} to follow the offering
     * @param hosts empty to follow the offering
     */
    public record NewDate(
            SessionTime time, OptionalInt seats, @Nullable Long venue, List<Long> hosts) {
        public static NewDate at(SessionTime time) {
            return new NewDate(time, OptionalInt.empty(), null, List.of());
        }
    }

    /** Adds sessions; with a number of seats of their own, or the usual one. @return their numbers */
    @Transactional
    public List<Long> addDates(long offering, List<NewDate> dates, Actor actor) {
        actor.requireOrganiser();
        OfferingRecord of = offering(offering);
        List<Long> added = dates.stream().map(date -> add(of, date)).toList();
        regroup(of);
        wantLinks(offering);
        return added;
    }

    /** Adds one session. @return its number */
    @Transactional
    public long addDate(long offering, SessionTime time, int seats, Actor actor) {
        actor.requireTeam();
        return addDates(offering, List.of(new NewDate(time, OptionalInt.of(seats), null, List.of())), actor)
                .get(0);
    }

    OfferingRecord offering(long id) {
        return writes.sql().selectFrom(OFFERING).where(OFFERING.ID.eq(id)).fetchSingle();
    }

    long add(OfferingRecord offering, NewDate date) {
        SessionRecord row = writes.sql().newRecord(SESSION);
        int seats = date.seats().orElse(offering.getSeats());
        row.setOfferingId(offering.getId());
        row.setStartsAt(date.time().start().toInstant());
        row.setEndsAt(date.time().end().toInstant());
        ZoneId zone = date.time().start().getZone();
        row.setZone(zone.getId());
        row.setWallStart(WallClock.of(row.getStartsAt(), zone));
        row.setZoneData(WallClock.rules(zone));
        row.setSeats(seats);
        row.setKeptBack(Math.min(seats, offering.getKeptBack()));
        row.setStatus("OPEN");
        row.setVenueId(date.venue());
        row.setIsOwnHosts(!date.hosts().isEmpty());
        row.setSequence(0);
        row.setCreatedAt(clock.instant());
        long id = writes.sql()
                .insertInto(SESSION)
                .set(row)
                .returningResult(SESSION.ID)
                .fetchOne(SESSION.ID);
        saveHosts(id, date.hosts());
        return id;
    }

    void saveHosts(long session, List<Long> hosts) {
        writes.sql()
                .deleteFrom(SESSION_HOST)
                .where(SESSION_HOST.SESSION_ID.eq(session))
                .execute();
        for (int place = 0; place < hosts.size(); place++) {
            writes.sql()
                    .insertInto(SESSION_HOST)
                    .set(SESSION_HOST.SESSION_ID, session)
                    .set(SESSION_HOST.ACCOUNT_ID, hosts.get(place))
                    .set(SESSION_HOST.PLACE, place)
                    .execute();
        }
    }

    /** Copies the dates of one offering to another, so many weeks later on the wall clock. @return how many */
    @Transactional
    public int copyDates(long from, long to, int weeks, Actor actor) {
        actor.requireOrganiser();
        List<NewDate> dates = writes.sql()
                .selectFrom(SESSION)
                .where(SESSION.OFFERING_ID.eq(from))
                .and(SESSION.STATUS.eq("OPEN"))
                .orderBy(SESSION.ID)
                .fetch(row -> shifted(row, weeks));
        return addDates(to, dates, actor).size();
    }

    private NewDate shifted(SessionRecord row, int weeks) {
        var zone = java.time.ZoneId.of(row.getZone());
        var start = row.getStartsAt().atZone(zone).toLocalDateTime().plusWeeks(weeks);
        var length = java.time.Duration.between(row.getStartsAt(), row.getEndsAt());
        return new NewDate(
                SessionTime.resolve(start, zone, length),
                OptionalInt.of(row.getSeats()),
                row.getVenueId(),
                row.getIsOwnHosts() ? hostsOf(row.getId()) : List.of());
    }

    List<Long> hostsOf(long session) {
        return writes.sql()
                .select(SESSION_HOST.ACCOUNT_ID)
                .from(SESSION_HOST)
                .where(SESSION_HOST.SESSION_ID.eq(session))
                .orderBy(SESSION_HOST.PLACE)
                .fetch(SESSION_HOST.ACCOUNT_ID);
    }

    /** Takes a date off the sheet. @return false, with nothing changed, when somebody has registered for it */
    @Transactional
    public boolean removeDate(long offering, long session, Actor actor) {
        actor.requireOrganiser();
        OfferingRecord of = offering(offering);
        boolean series = of.getStyle().equals(SignUpStyle.WHOLE_SERIES.name());
        if (series && counts.isAnybodyOn(idsOf(offering))) {
            return false;
        }
        try {
            writes.sql()
                    .update(SESSION)
                    .setNull(SESSION.LEAD_ID)
                    .where(SESSION.LEAD_ID.eq(session))
                    .execute();
            int removed = writes.sql()
                    .deleteFrom(SESSION)
                    .where(SESSION.ID.eq(session))
                    .and(SESSION.OFFERING_ID.eq(offering))
                    .execute();
            regroup(of);
            return removed == 1;
        } catch (IntegrityConstraintViolationException somebodyIsOnIt) {
            return false;
        }
    }

    /**
     * After a sheet was kept: a draft's dates follow its seats, the series its style, links its venue.
     *
     * @param seatsBefore the usual number before; a date that has another one was given it on purpose and keeps it
     */
    void followSheet(long offering, int seatsBefore) {
        OfferingRecord of = offering(offering);
        if (of.getStatus().equals(OfferingStatus.DRAFT.name())) {
            writes.sql()
                    .update(SESSION)
                    .set(SESSION.SEATS, of.getSeats())
                    .set(SESSION.KEPT_BACK, of.getKeptBack())
                    .where(SESSION.OFFERING_ID.eq(offering))
                    .and(SESSION.SEATS.eq(seatsBefore))
                    .execute();
        }
        regroup(of);
        wantLinks(offering);
    }

    /** A whole series counts its seats in one session, the first that was added; other styles count in each. */
    private void regroup(OfferingRecord offering) {
        Condition its = SESSION.OFFERING_ID.eq(offering.getId());
        if (!offering.getStyle().equals(SignUpStyle.WHOLE_SERIES.name())) {
            writes.sql()
                    .update(SESSION)
                    .setNull(SESSION.LEAD_ID)
                    .where(its)
                    .and(SESSION.LEAD_ID.isNotNull())
                    .execute();
            return;
        }
        Long lead = writes.sql()
                .select(DSL.coalesce(DSL.min(SESSION.LEAD_ID), DSL.min(SESSION.ID)))
                .from(SESSION)
                .where(its)
                .fetchSingle()
                .value1();
        if (lead != null) {
            Integer seats = writes.sql()
                    .select(SESSION.SEATS)
                    .from(SESSION)
                    .where(SESSION.ID.eq(lead))
                    .fetchSingle(SESSION.SEATS);
            writes.sql()
                    .update(SESSION)
                    .set(SESSION.LEAD_ID, lead)
                    .set(SESSION.SEATS, seats)
                    .where(its)
                    .execute();
        }
    }

    /** Asks for a meeting link for every published session to come that needs one and has none. */
    void wantLinks(long offering) {
        writes.sql()
                .update(SESSION)
                .set(SESSION.LINK_STATE, MeetingLink.State.WANTED.name())
                .set(SESSION.LINK_TRIES, 0)
                .set(SESSION.LINK_NEXT_AT, clock.instant())
                .where(SESSION.OFFERING_ID.eq(offering))
                .and(SESSION.LINK_STATE.eq(MeetingLink.State.NONE.name()))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(SESSION.ENDS_AT.gt(clock.instant()))
                .and(DSL.exists(DSL.selectOne()
                        .from(OFFERING)
                        .join(VENUE)
                        .on(VENUE.ID.eq(DSL.coalesce(SESSION.VENUE_ID, OFFERING.VENUE_ID)))
                        .where(OFFERING.ID.eq(SESSION.OFFERING_ID))
                        .and(OFFERING.STATUS.eq(OfferingStatus.PUBLISHED.name()))
                        .and(VENUE.KIND.eq(Venue.Kind.MADE_LINK.name()))))
                .execute();
    }

    List<Long> idsOf(long offering) {
        return writes.sql()
                .select(SESSION.ID)
                .from(SESSION)
                .where(SESSION.OFFERING_ID.eq(offering))
                .fetch(SESSION.ID);
    }

    /** The session as the write under way sees it. */
    public Optional<Session> session(long id) {
        DSLContext sql = writes.sql();
        return known.get(
                id, key -> RowQueries.sessions(sql).where(SESSION.ID.eq(key)).fetchOptional(RowQueries::session));
    }

    /** The dates of the book that this session belongs to, as the write sees them: itself, or its whole series. */
    public List<Session> datesOf(Session session) {
        return session.lead() == null
                ? session(session.id()).stream().toList()
                : knownDates.get(
                        session.book(),
                        lead -> RowQueries.sessions(writes.sql())
                                .where(SESSION.LEAD_ID.eq(lead))
                                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                                .fetch(RowQueries::session));
    }

    /** The sessions of an offering in order of time, as this write sees them. */
    @Transactional(readOnly = true)
    public List<Session> ofOffering(long offering) {
        return RowQueries.sessions(writes.sql())
                .where(SESSION.OFFERING_ID.eq(offering))
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .fetch(RowQueries::session);
    }

    /** Sessions to come whose venue this is, their own or their offering's, as this write sees them. */
    @Transactional(readOnly = true)
    public List<Session> comingAt(long venue, Instant now) {
        return RowQueries.sessions(writes.sql())
                .where(DSL.coalesce(SESSION.VENUE_ID, OFFERING.VENUE_ID).eq(venue))
                .and(SESSION.ENDS_AT.gt(now))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(OFFERING.IS_PATTERN.isFalse())
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .fetch(RowQueries::session);
    }
}
