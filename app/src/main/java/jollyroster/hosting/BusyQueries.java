package jollyroster.hosting;

import static jollyroster.platform.tables.Tables.BUSY_BLOCK;
import static jollyroster.platform.tables.Tables.BUSY_CALENDAR;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.exchange.CalendarReader.Counts;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.Record;
import org.springframework.stereotype.Component;

/** Reads when hosts are taken up elsewhere. */
@Component
public class BusyQueries {

    private static final Duration UNREAD_AFTER = Duration.ofHours(1);
    private final Reads reads;

    BusyQueries(Reads reads) {
        this.reads = reads;
    }

    /** A calendar of a host. @param address empty for a file that was read once @param problem of the last reading */
    public record Calendar(
            long id,
            long host,
            String name,
            String address,
            Optional<Instant> read,
            String problem,
            CalendarSettings settings) {}

    /** A time at which a host is taken up. */
    public record Block(long host, Interval span) {}

    public List<Calendar> calendars() {
        return reads.sql()
                .selectFrom(BUSY_CALENDAR)
                .orderBy(BUSY_CALENDAR.ACCOUNT_ID, BUSY_CALENDAR.NAME)
                .fetch(BusyQueries::calendar);
    }

    /** The calendars that are to be read again now, the longest due first. */
    public List<Calendar> due(Instant now, int most) {
        return reads.sql()
                .selectFrom(BUSY_CALENDAR)
                .where(BUSY_CALENDAR.NEXT_AT.isNotNull())
                .and(BUSY_CALENDAR.NEXT_AT.le(now))
                .orderBy(BUSY_CALENDAR.NEXT_AT)
                .limit(most)
                .fetch(BusyQueries::calendar);
    }

    private static Calendar calendar(Record r) {
        return new Calendar(
                r.get(BUSY_CALENDAR.ID),
                r.get(BUSY_CALENDAR.ACCOUNT_ID),
                r.get(BUSY_CALENDAR.NAME),
                r.get(BUSY_CALENDAR.ADDRESS),
                Optional.ofNullable(r.get(BUSY_CALENDAR.READ_AT)),
                r.get(BUSY_CALENDAR.PROBLEM),
                new CalendarSettings(
                        Optional.of(r.get(BUSY_CALENDAR.ZONE))
                                .filter(zone -> !zone.isEmpty())
                                .map(ZoneId::of),
                        new Counts(r.get(BUSY_CALENDAR.IS_TENTATIVE_COUNTED), r.get(BUSY_CALENDAR.IS_FREE_COUNTED))));
    }

    /** Calendars that are read again and again and could not be for an hour. */
    public List<Calendar> unread(Instant now) {
        return reads.sql()
                .selectFrom(BUSY_CALENDAR)
                .where(isUnread(now))
                .orderBy(BUSY_CALENDAR.READ_AT)
                .fetch(BusyQueries::calendar);
    }

    /** Which calendars have not been read for an hour though they should. */
    public static Condition isUnread(Instant now) {
        return BUSY_CALENDAR.NEXT_AT.isNotNull().and(BUSY_CALENDAR.READ_AT.lt(now.minus(UNREAD_AFTER)));
    }

    /** Busy blocks that overlap the window, in order of time. */
    public List<Block> blocks(Interval window) {
        return reads.sql()
                .select(BUSY_CALENDAR.ACCOUNT_ID, BUSY_BLOCK.STARTS_AT, BUSY_BLOCK.ENDS_AT)
                .from(BUSY_CALENDAR)
                .join(BUSY_BLOCK)
                .on(BUSY_BLOCK.CALENDAR_ID.eq(BUSY_CALENDAR.ID))
                .where(BUSY_BLOCK.STARTS_AT.lt(window.end()))
                .and(BUSY_BLOCK.ENDS_AT.gt(window.start()))
                .orderBy(BUSY_BLOCK.STARTS_AT)
                .fetch(r -> new Block(r.value1(), new Interval(r.value2(), r.value3())));
    }
}
