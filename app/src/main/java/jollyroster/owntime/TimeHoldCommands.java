package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.TIME_HOLD;
import static jollyroster.platform.tables.Tables.TIME_HOLD_HOST;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.platform.Actor;
import jollyroster.platform.GroupCommit;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.TimeHoldRecord;
import jollyroster.programme.HostQueries.Host;
import org.springframework.stereotype.Component;

/**
 * Keeps a time for a browser while the form is filled in. A hold is a courtesy: whoever has none may register as well, as long
 * as nobody else is there first.
 */
@Component
public class TimeHoldCommands {

    /** How long a time is kept (common practice). */
    public static final Duration LASTS = Duration.ofMinutes(5);

    private final GroupCommit together;
    private final Writes writes;
    private final GivingCommands giving;
    private final TimeHoldQueries holds;

    TimeHoldCommands(GroupCommit together, Writes writes, GivingCommands giving, TimeHoldQueries holds) {
        this.together = together;
        this.writes = writes;
        this.giving = giving;
        this.holds = holds;
    }

    /**
     * Holds a time, instead of another one of the same offering that was held for the same browser. Asked for again, it is held
     * no longer than it was.
     *
     * @return whether it is held; not when it cannot be had any more
     */
    public boolean hold(Pick pick, Viewer viewer, Actor actor) {
        if (actor.kind() != Actor.Kind.PERSON) {
            throw new IllegalArgumentException("Times are held for people who pick them, not for " + actor);
        }
        return together.run(() -> {
            Optional<TimeHoldQueries.Own> before =
                    holds.ownIn(writes.sql(), pick.offering().id(), viewer);
            Optional<GivingCommands.Given> given = giving.give(pick, viewer);
            if (given.isEmpty()) {
                return false;
            }
            List<Long> leaders = given.get().hosts().stream().map(Host::id).toList();
            boolean same = before.filter(hold ->
                            hold.start().equals(pick.start()) && hold.hosts().containsAll(leaders))
                    .isPresent();
            if (!same) {
                write(pick, given.get(), leaders, viewer);
            }
            return true;
        });
    }

    private void write(Pick pick, GivingCommands.Given given, List<Long> leaders, Viewer viewer) {
        letGo(pick.offering().id(), viewer.browser());
        TimeHoldRecord row = writes.sql().newRecord(TIME_HOLD);
        row.setOfferingId(pick.offering().id());
        row.setBrowser(viewer.browser());
        row.setStartsAt(given.span().start());
        row.setEndsAt(given.span().end());
        row.setHeldUntil(viewer.now().plus(LASTS));
        row.insert();
        leaders.forEach(host -> writes.sql()
                .insertInto(TIME_HOLD_HOST)
                .set(TIME_HOLD_HOST.HOLD_ID, row.getId())
                .set(TIME_HOLD_HOST.ACCOUNT_ID, host)
                .execute());
    }

    /** What a browser held of an offering is held no more, as part of a write that is under way. */
    void letGo(long offering, String browser) {
        writes.sql()
                .deleteFrom(TIME_HOLD)
                .where(TIME_HOLD.OFFERING_ID.eq(offering))
                .and(TIME_HOLD.BROWSER.eq(browser))
                .execute();
    }

    /** Forgets what is held no more. @return how many */
    int forget(Instant now, Actor actor) {
        actor.requireOrganiser();
        return together.run(() -> writes.sql()
                .deleteFrom(TIME_HOLD)
                .where(TIME_HOLD.HELD_UNTIL.le(now))
                .execute());
    }
}
