package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.BUSY_BLOCK;
import static jollyroster.platform.tables.Tables.BUSY_CALENDAR;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.OFFERING_HOST;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SEAT_COUNT;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.SESSION_HOST;
import static jollyroster.platform.tables.Tables.TIME_HOLD;
import static jollyroster.platform.tables.Tables.TIME_HOLD_HOST;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.TimeRules;
import jollyroster.hosting.BusyQueries;
import jollyroster.programme.OwnTime;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectField;
import org.jooq.Table;
import org.jooq.impl.DSL;

/**
 * Reads what hosts are taken up by, in two queries for sessions, one for busy calendars and one for times that are held. The same for a page and for the
 * write that gives a time, which must see what was given a moment ago and is not kept for good yet.
 */
final class HostClaimQueries {

    private static final Duration WIDEST_BUFFER = Duration.ofDays(1);
    private static final Duration WEEK = Duration.ofDays(7);

    private final DSLContext sql;

    HostClaimQueries(DSLContext sql) {
        this.sql = sql;
    }

    /**
     * A session that a host leads.
     *
     * @param left seats that somebody could have now; none while somebody waits
     */
    record Led(long host, long session, long offering, Interval span, Duration before, Duration after, int left) {

        Claim claim() {
            return Claim.session(Claim.Owner.host(host), session, span, before, after);
        }
    }

    /** A time that is kept for somebody who fills in the form. @param until when it is given up */
    record Held(long hold, long host, long offering, Interval span, Duration before, Duration after, Instant until) {

        Claim claim() {
            return Claim.held(Claim.Owner.host(host), hold, span, before, after);
        }
    }

    /** What the hosts are taken up by within a window and what is kept free around it. */
    record Claims(List<Led> led, List<Claim> busy, List<Held> held) {

        /** Of one host. */
        List<Claim> of(long host) {
            List<Claim> all = new ArrayList<>();
            led.stream().filter(some -> some.host() == host).map(Led::claim).forEach(all::add);
            busy.stream().filter(some -> some.owner().id() == host).forEach(all::add);
            held.stream().filter(some -> some.host() == host).map(Held::claim).forEach(all::add);
            return all;
        }
    }

    /**
     * What is in the way of times of an offering within a window: sessions and what is held of the whole weeks it begins and ends
     * in, as limits count by the week, and busy blocks that reach into a time or what is kept free around it.
     *
     * @param viewer who asks: what is held for them is not in their own way
     */
    Claims around(Interval window, Collection<Long> hosts, TimeRules rules, OwnTime own, Viewer viewer) {
        Interval weeks = new Interval(
                window.start().minus(WEEK).minus(WIDEST_BUFFER),
                window.end().plus(WEEK).plus(WIDEST_BUFFER));
        Interval near = new Interval(
                window.start().minus(rules.before()),
                window.end().plus(rules.length()).plus(rules.after()));
        Claims claims = within(weeks, near, hosts, viewer, own.ignored());
        if (own.stopsUnread()) {
            claims.busy().addAll(unread(near, hosts, own.ignored(), viewer.now()));
        }
        return claims;
    }

    /** Calendars that cannot be read take their host up all the time. */
    private List<Claim> unread(Interval window, Collection<Long> hosts, Set<Long> ignored, Instant now) {
        return sql.select(BUSY_CALENDAR.ACCOUNT_ID, BUSY_CALENDAR.ID)
                .from(BUSY_CALENDAR)
                .where(BUSY_CALENDAR.ACCOUNT_ID.in(hosts))
                .and(BusyQueries.isUnread(now))
                .and(ignored.isEmpty() ? DSL.noCondition() : BUSY_CALENDAR.ID.notIn(ignored))
                .fetch(r -> Claim.unread(Claim.Owner.host(r.value1()), r.value2(), window));
    }

    /** All there is within a window. */
    Claims within(Interval window, Collection<Long> hosts, Viewer viewer, Set<Long> ignored) {
        return within(window, window, hosts, viewer, ignored);
    }

    private Claims within(Interval wide, Interval near, Collection<Long> hosts, Viewer viewer, Set<Long> ignored) {
        long left = alone(viewer.leaving());
        List<Led> led = new ArrayList<>(
                led(SESSION_HOST, SESSION_HOST.SESSION_ID.eq(SESSION.ID), SESSION_HOST.ACCOUNT_ID, true, wide, hosts));
        led.addAll(led(
                OFFERING_HOST,
                OFFERING_HOST.OFFERING_ID.eq(SESSION.OFFERING_ID),
                OFFERING_HOST.ACCOUNT_ID,
                false,
                wide,
                hosts));
        led.removeIf(some -> some.session() == left);
        return new Claims(led, busy(near, hosts, ignored), held(wide, hosts, viewer));
    }

    /** The time that nobody but this registration has; 0 for none. */
    private long alone(long registration) {
        return registration == 0
                ? 0
                : sql.select(REGISTRATION.SESSION_ID)
                        .from(REGISTRATION)
                        .join(SEAT_COUNT)
                        .on(SEAT_COUNT.SESSION_ID.eq(REGISTRATION.SESSION_ID))
                        .where(REGISTRATION.ID.eq(registration))
                        .and(SEAT_COUNT.TAKEN.eq(REGISTRATION.PARTY))
                        .and(SEAT_COUNT.WAITING_PARTIES.eq(0))
                        .fetchOptional(REGISTRATION.SESSION_ID)
                        .orElse(0L);
    }

    /** Sessions with hosts of their own, or with those of their offering. */
    private List<Led> led(
            Table<?> leaders,
            Condition lead,
            Field<Long> host,
            boolean ownHosts,
            Interval window,
            Collection<Long> hosts) {
        return sql.select(columns(host))
                .from(SESSION)
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .join(leaders)
                .on(lead)
                .leftJoin(SEAT_COUNT)
                .on(SEAT_COUNT.SESSION_ID.eq(SESSION.ID))
                .where(SESSION.IS_OWN_HOSTS.eq(ownHosts))
                .and(host.in(hosts))
                .and(during(window))
                .fetch(HostClaimQueries::led);
    }

    private static List<SelectField<?>> columns(Field<Long> host) {
        return List.of(
                host.as("host"),
                SESSION.ID,
                SESSION.OFFERING_ID,
                SESSION.STARTS_AT,
                SESSION.ENDS_AT,
                OFFERING.BUFFER_BEFORE,
                OFFERING.BUFFER_AFTER,
                SESSION.SEATS,
                SESSION.KEPT_BACK,
                SEAT_COUNT.TAKEN,
                SEAT_COUNT.WAITING_PARTIES);
    }

    private static Condition during(Interval window) {
        return SESSION.STARTS_AT
                .lt(window.end())
                .and(SESSION.STARTS_AT.gt(window.start().minus(SessionTime.LONGEST)))
                .and(SESSION.ENDS_AT.gt(window.start()))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(SESSION.IS_GIVEN_BACK.isFalse())
                .and(OFFERING.IS_PATTERN.isFalse());
    }

    private static Led led(Record r) {
        Integer taken = r.get(SEAT_COUNT.TAKEN);
        Integer waiting = r.get(SEAT_COUNT.WAITING_PARTIES);
        int free = r.get(SESSION.SEATS) - r.get(SESSION.KEPT_BACK) - (taken == null ? 0 : taken);
        return new Led(
                r.get("host", Long.class),
                r.get(SESSION.ID),
                r.get(SESSION.OFFERING_ID),
                new Interval(r.get(SESSION.STARTS_AT), r.get(SESSION.ENDS_AT)),
                Duration.ofMinutes(r.get(OFFERING.BUFFER_BEFORE)),
                Duration.ofMinutes(r.get(OFFERING.BUFFER_AFTER)),
                waiting != null && waiting > 0 ? 0 : Math.max(0, free));
    }

    private List<Claim> busy(Interval window, Collection<Long> hosts, Set<Long> ignored) {
        List<Claim> busy = new ArrayList<>();
        sql.select(BUSY_CALENDAR.ACCOUNT_ID, BUSY_CALENDAR.ID, BUSY_BLOCK.STARTS_AT, BUSY_BLOCK.ENDS_AT)
                .from(BUSY_CALENDAR)
                .join(BUSY_BLOCK)
                .on(BUSY_BLOCK.CALENDAR_ID.eq(BUSY_CALENDAR.ID))
                .where(BUSY_CALENDAR.ACCOUNT_ID.in(hosts))
                .and(ignored.isEmpty() ? DSL.noCondition() : BUSY_CALENDAR.ID.notIn(ignored))
                .and(BUSY_BLOCK.ENDS_AT.gt(window.start()))
                .and(BUSY_BLOCK.STARTS_AT.lt(window.end()))
                .forEach(r -> busy.add(
                        Claim.busy(Claim.Owner.host(r.value1()), r.value2(), new Interval(r.value3(), r.value4()))));
        return busy;
    }

    private List<Held> held(Interval window, Collection<Long> hosts, Viewer viewer) {
        return sql.select(
                        TIME_HOLD.ID,
                        TIME_HOLD_HOST.ACCOUNT_ID,
                        TIME_HOLD.OFFERING_ID,
                        TIME_HOLD.STARTS_AT,
                        TIME_HOLD.ENDS_AT,
                        TIME_HOLD.HELD_UNTIL,
                        OFFERING.BUFFER_BEFORE,
                        OFFERING.BUFFER_AFTER)
                .from(TIME_HOLD)
                .join(TIME_HOLD_HOST)
                .on(TIME_HOLD_HOST.HOLD_ID.eq(TIME_HOLD.ID))
                .join(OFFERING)
                .on(OFFERING.ID.eq(TIME_HOLD.OFFERING_ID))
                .where(TIME_HOLD_HOST.ACCOUNT_ID.in(hosts))
                .and(TIME_HOLD.HELD_UNTIL.gt(viewer.now()))
                .and(TIME_HOLD.BROWSER.ne(viewer.browser()))
                .and(TIME_HOLD.STARTS_AT.lt(window.end()))
                .and(TIME_HOLD.ENDS_AT.gt(window.start()))
                .fetch(r -> new Held(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        new Interval(r.value4(), r.value5()),
                        Duration.ofMinutes(r.value7()),
                        Duration.ofMinutes(r.value8()),
                        r.value6()));
    }

    /** When each of these hosts led last before a moment; who never did is left out. */
    Map<Long, Instant> lastLed(Collection<Long> hosts, Instant before) {
        return sql.select(SESSION_HOST.ACCOUNT_ID, DSL.max(SESSION.STARTS_AT))
                .from(SESSION_HOST)
                .join(SESSION)
                .on(SESSION.ID.eq(SESSION_HOST.SESSION_ID))
                .where(SESSION_HOST.ACCOUNT_ID.in(hosts))
                .and(SESSION.STARTS_AT.lt(before))
                .and(SESSION.STATUS.eq("OPEN"))
                .groupBy(SESSION_HOST.ACCOUNT_ID)
                .fetchMap(r -> r.value1(), r -> r.value2());
    }
}
