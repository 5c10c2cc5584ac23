package jollyroster.programme;

import static jollyroster.platform.tables.Tables.SESSION;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.WallClock;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes sessions as a whole, so that a change can be taken back as a whole. Organisers only. */
@Component
public class PlanCommands {

    private final Writes writes;
    private final SessionCommands sessions;

    PlanCommands(Writes writes, SessionCommands sessions) {
        this.writes = writes;
        this.sessions = sessions;
    }

    /** What can be changed about a session, as this write sees it. */
    @Transactional(readOnly = true)
    public Optional<SessionPlan> plan(long session) {
        return writes.sql()
                .selectFrom(SESSION)
                .where(SESSION.ID.eq(session))
                .fetchOptional(r -> new SessionPlan(
                        r.getStartsAt(),
                        r.getEndsAt(),
                        r.getSeats(),
                        r.getKeptBack(),
                        r.getStatus().equals("CANCELLED"),
                        r.getVenueId(),
                        r.getDoorMinutes(),
                        r.getOverrunMinutes(),
                        r.getMinimum(),
                        r.getIsOwnHosts(),
                        sessions.hostsOf(session),
                        r.getNote()));
    }

    /** Writes a plan whole; calendars are told by a higher sequence. */
    @Transactional
    public void apply(long session, SessionPlan plan, Actor actor) {
        actor.requireOrganiser();
        ZoneId zone = zoneOf(session);
        writes.sql()
                .update(SESSION)
                .set(SESSION.STARTS_AT, plan.start())
                .set(SESSION.WALL_START, WallClock.of(plan.start(), zone))
                .set(SESSION.ZONE_DATA, WallClock.rules(zone))
                .set(SESSION.ENDS_AT, plan.end())
                .set(SESSION.SEATS, plan.seats())
                .set(SESSION.KEPT_BACK, plan.keptBack())
                .set(SESSION.STATUS, plan.cancelled() ? "CANCELLED" : "OPEN")
                .set(SESSION.VENUE_ID, plan.venue())
                .set(SESSION.DOOR_MINUTES, plan.doorMinutes())
                .set(SESSION.OVERRUN_MINUTES, plan.overrunMinutes())
                .set(SESSION.MINIMUM, plan.minimum())
                .set(SESSION.IS_OWN_HOSTS, plan.ownHosts())
                .set(SESSION.NOTE, plan.note())
                .set(SESSION.DOOR_OPENED_AT, DSL.when(isAsBefore(plan), SESSION.DOOR_OPENED_AT))
                .set(SESSION.DOOR_CLOSES_AT, DSL.when(isAsBefore(plan), SESSION.DOOR_CLOSES_AT))
                .set(SESSION.SEQUENCE, SESSION.SEQUENCE.plus(1))
                .where(SESSION.ID.eq(session))
                .execute();
        sessions.saveHosts(session, plan.ownHosts() ? plan.hosts() : List.of());
        sessions.wantLinks(offeringOf(session));
    }

    /** What was done to the door by hand was done for these times. */
    private static Condition isAsBefore(SessionPlan plan) {
        return SESSION.STARTS_AT.eq(plan.start()).and(SESSION.ENDS_AT.eq(plan.end()));
    }

    /** Counts up the sequence of sessions, because something they show has changed. */
    @Transactional
    public void touch(List<Long> changed, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(SESSION)
                .set(SESSION.SEQUENCE, SESSION.SEQUENCE.plus(1))
                .where(SESSION.ID.in(changed))
                .execute();
        writes.sql()
                .selectDistinct(SESSION.OFFERING_ID)
                .from(SESSION)
                .where(SESSION.ID.in(changed))
                .fetch(SESSION.OFFERING_ID)
                .forEach(sessions::wantLinks);
    }

    /** Sets the seats of a session, or of its whole series, as part of a write that has checked them. */
    @Transactional
    public void setSeats(long session, int seats, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(SESSION)
                .set(SESSION.SEATS, seats)
                .set(SESSION.KEPT_BACK, DSL.least(SESSION.KEPT_BACK, DSL.val(seats)))
                .where(SESSION.ID.eq(session).or(SESSION.LEAD_ID.eq(session)))
                .execute();
    }

    /** Sets how many seats of a session, or of its whole series, are kept back. */
    @Transactional
    public void setKeptBack(long session, int seats, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(SESSION)
                .set(SESSION.KEPT_BACK, seats)
                .where(SESSION.ID.eq(session).or(SESSION.LEAD_ID.eq(session)))
                .execute();
    }

    private ZoneId zoneOf(long session) {
        return ZoneId.of(writes.sql()
                .select(SESSION.ZONE)
                .from(SESSION)
                .where(SESSION.ID.eq(session))
                .fetchSingle(SESSION.ZONE));
    }

    private long offeringOf(long session) {
        return writes.sql()
                .select(SESSION.OFFERING_ID)
                .from(SESSION)
                .where(SESSION.ID.eq(session))
                .fetchSingle(SESSION.OFFERING_ID);
    }
}
