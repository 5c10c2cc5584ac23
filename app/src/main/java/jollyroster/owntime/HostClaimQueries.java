package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.BUSY_BLOCK;
import static jollyroster.platform.tables.Tables.BUSY_CALENDAR;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.OFFERING_HOST;
import static jollyroster.platform.tables.Tables.SEAT_COUNT;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.SESSION_HOST;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.openhours.Claim;
import jollyroster.core.seats.SignUpStyle;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectField;
import org.jooq.impl.DSL;

/**
 * Reads what hosts are taken up by, in two queries for sessions and one for busy calendars. The same for a page and for the
 * write that gives a time, which must see what was given a moment ago and is not kept for good yet.
 */
final class HostClaimQueries {

    private static final Duration WIDEST_BUFFER = Duration.ofDays(1);

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

    /** What the hosts are taken up by within a window and what is kept free around it. */
    record Claims(List<Led> led, List<Claim> busy) {

        /** Of one host. */
        List<Claim> of(long host) {
            List<Claim> all = new ArrayList<>();
            led.stream().filter(some -> some.host() == host).map(Led::claim).forEach(all::add);
            busy.stream().filter(some -> some.owner().id() == host).forEach(all::add);
            return all;
        }
    }

    Claims within(Interval window, Collection<Long> hosts) {
        Interval wide =
                new Interval(window.start().minus(WIDEST_BUFFER), window.end().plus(WIDEST_BUFFER));
        List<Led> led = new ArrayList<>();
        led.addAll(sql.select(columns(SESSION_HOST.ACCOUNT_ID))
                .from(SESSION)
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .join(SESSION_HOST)
                .on(SESSION_HOST.SESSION_ID.eq(SESSION.ID))
                .leftJoin(SEAT_COUNT)
                .on(SEAT_COUNT.SESSION_ID.eq(SESSION.ID))
                .where(SESSION.IS_OWN_HOSTS.isTrue())
                .and(SESSION_HOST.ACCOUNT_ID.in(hosts))
                .and(during(wide))
                .fetch(HostClaimQueries::led));
        led.addAll(sql.select(columns(OFFERING_HOST.ACCOUNT_ID))
                .from(SESSION)
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .join(OFFERING_HOST)
                .on(OFFERING_HOST.OFFERING_ID.eq(SESSION.OFFERING_ID))
                .leftJoin(SEAT_COUNT)
                .on(SEAT_COUNT.SESSION_ID.eq(SESSION.ID))
                .where(SESSION.IS_OWN_HOSTS.isFalse())
                .and(OFFERING_HOST.ACCOUNT_ID.in(hosts))
                .and(during(wide))
                .fetch(HostClaimQueries::led));
        return new Claims(led, busy(wide, hosts));
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
                .and(OFFERING.IS_PATTERN.isFalse())
                .and(isHeld());
    }

    /** A time that was picked and given back is nobody's any more. */
    private static Condition isHeld() {
        return OFFERING.STYLE
                .ne(SignUpStyle.OWN_TIME.name())
                .or(SEAT_COUNT.TAKEN.gt(0))
                .or(SEAT_COUNT.WAITING_PARTIES.gt(0));
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

    private List<Claim> busy(Interval window, Collection<Long> hosts) {
        List<Claim> busy = new ArrayList<>();
        sql.select(BUSY_CALENDAR.ACCOUNT_ID, BUSY_CALENDAR.ID, BUSY_BLOCK.STARTS_AT, BUSY_BLOCK.ENDS_AT)
                .from(BUSY_CALENDAR)
                .join(BUSY_BLOCK)
                .on(BUSY_BLOCK.CALENDAR_ID.eq(BUSY_CALENDAR.ID))
                .where(BUSY_CALENDAR.ACCOUNT_ID.in(hosts))
                .and(BUSY_BLOCK.ENDS_AT.gt(window.start()))
                .and(BUSY_BLOCK.STARTS_AT.lt(window.end()))
                .forEach(r -> busy.add(
                        Claim.busy(Claim.Owner.host(r.value1()), r.value2(), new Interval(r.value3(), r.value4()))));
        return busy;
    }

    /** When a host led last before a moment, of what is known within half a year; {@link Instant#MIN} for never. */
    Instant lastLed(long host, Instant before) {
        Condition earlier = SESSION.STARTS_AT.lt(before).and(SESSION.STATUS.eq("OPEN"));
        Instant last = sql.select(DSL.max(SESSION.STARTS_AT))
                .from(SESSION)
                .join(SESSION_HOST)
                .on(SESSION_HOST.SESSION_ID.eq(SESSION.ID))
                .where(SESSION_HOST.ACCOUNT_ID.eq(host))
                .and(earlier)
                .fetchOne(0, Instant.class);
        return last == null ? Instant.MIN : last;
    }
}
