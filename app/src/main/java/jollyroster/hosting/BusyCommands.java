package jollyroster.hosting;

import static jollyroster.platform.tables.Tables.BUSY_BLOCK;
import static jollyroster.platform.tables.Tables.BUSY_CALENDAR;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps when hosts are taken up elsewhere. Only times are kept, nothing of what a calendar says about them. */
@Component
public class BusyCommands {

    /** How often a calendar at an address is read again. */
    public static final Duration EVERY = Duration.ofMinutes(15);

    private final Writes writes;
    private final Clock clock;

    BusyCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * Adds a calendar with what was read from it.
     *
     * @param address where it is read again, or empty for a file
     * @param notPlaced what had to be left out, in words; empty for nothing
     * @return its number
     */
    @Transactional
    public long add(
            long host,
            String name,
            String address,
            CalendarSettings settings,
            List<Interval> blocks,
            String notPlaced,
            Actor actor) {
        actor.requireMember(host);
        long id = writes.sql()
                .insertInto(BUSY_CALENDAR)
                .set(BUSY_CALENDAR.ACCOUNT_ID, host)
                .set(BUSY_CALENDAR.NAME, name)
                .set(BUSY_CALENDAR.ADDRESS, address)
                .set(BUSY_CALENDAR.PROBLEM, "")
                .set(BUSY_CALENDAR.IS_TENTATIVE_COUNTED, settings.counts().tentative())
                .set(BUSY_CALENDAR.IS_FREE_COUNTED, settings.counts().free())
                .set(BUSY_CALENDAR.ZONE, settings.zone().map(ZoneId::getId).orElse(""))
                .returningResult(BUSY_CALENDAR.ID)
                .fetchOne(BUSY_CALENDAR.ID);
        replace(id, blocks, notPlaced, next(address));
        return id;
    }

    /** Changes how a calendar at an address is read, and has it read again at once. A file was read as it was taken in. */
    @Transactional
    public boolean settle(long calendar, CalendarSettings settings, Actor actor) {
        requireOwner(calendar, actor);
        return writes.sql()
                        .update(BUSY_CALENDAR)
                        .set(
                                BUSY_CALENDAR.IS_TENTATIVE_COUNTED,
                                settings.counts().tentative())
                        .set(BUSY_CALENDAR.IS_FREE_COUNTED, settings.counts().free())
                        .set(
                                BUSY_CALENDAR.ZONE,
                                settings.zone().map(ZoneId::getId).orElse(""))
                        .set(BUSY_CALENDAR.NEXT_AT, clock.instant())
                        .where(BUSY_CALENDAR.ID.eq(calendar))
                        .and(BUSY_CALENDAR.ADDRESS.ne(""))
                        .execute()
                > 0;
    }

    /** What takes a host up is theirs to say, and an organiser's. */
    private void requireOwner(long calendar, Actor actor) {
        writes.sql()
                .select(BUSY_CALENDAR.ACCOUNT_ID)
                .from(BUSY_CALENDAR)
                .where(BUSY_CALENDAR.ID.eq(calendar))
                .fetchOptional(BUSY_CALENDAR.ACCOUNT_ID)
                .ifPresentOrElse(actor::requireMember, actor::requireTeam);
    }

    private @Nullable Instant next(String address) {
        return address.isEmpty() ? null : clock.instant().plus(EVERY);
    }

    /** Puts what was read again in the place of what was known. */
    @Transactional
    public void readAgain(long calendar, List<Interval> blocks, String notPlaced, Actor actor) {
        actor.requireTeam();
        replace(calendar, blocks, notPlaced, clock.instant().plus(EVERY));
    }

    private void replace(long calendar, List<Interval> blocks, String notPlaced, @Nullable Instant next) {
        writes.sql()
                .deleteFrom(BUSY_BLOCK)
                .where(BUSY_BLOCK.CALENDAR_ID.eq(calendar))
                .execute();
        var insert = writes.sql()
                .insertInto(BUSY_BLOCK, BUSY_BLOCK.CALENDAR_ID, BUSY_BLOCK.STARTS_AT, BUSY_BLOCK.ENDS_AT)
                .values((Long) null, null, null)
                .onDuplicateKeyIgnore();
        if (!blocks.isEmpty()) {
            var batch = writes.sql().batch(insert);
            blocks.forEach(block -> batch.bind(calendar, block.start(), block.end()));
            batch.execute();
        }
        writes.sql()
                .update(BUSY_CALENDAR)
                .set(BUSY_CALENDAR.READ_AT, clock.instant())
                .set(BUSY_CALENDAR.NEXT_AT, next)
                .set(BUSY_CALENDAR.PROBLEM, notPlaced)
                .where(BUSY_CALENDAR.ID.eq(calendar))
                .execute();
    }

    /** Remembers why a calendar could not be read; what was known before stays. */
    @Transactional
    public void notRead(long calendar, String problem, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .update(BUSY_CALENDAR)
                .set(BUSY_CALENDAR.PROBLEM, problem + " What was known before still counts.")
                .set(BUSY_CALENDAR.NEXT_AT, clock.instant().plus(EVERY))
                .where(BUSY_CALENDAR.ID.eq(calendar))
                .execute();
    }

    @Transactional
    public void forget(long calendar, Actor actor) {
        requireOwner(calendar, actor);
        writes.sql()
                .deleteFrom(BUSY_CALENDAR)
                .where(BUSY_CALENDAR.ID.eq(calendar))
                .execute();
    }
}
