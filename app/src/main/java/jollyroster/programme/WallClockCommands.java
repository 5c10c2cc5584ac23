package jollyroster.programme;

import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import jollyroster.core.dates.WallClock;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.SessionRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the instants of sessions to come as what their wall clocks say by the zone data this program runs with. */
@Component
public class WallClockCommands {

    private final Writes writes;
    private final Clock clock;

    WallClockCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** A session whose start is another instant now. */
    public record Moved(long session, Instant was, Instant is) {}

    /**
     * What was found.
     *
     * @param newRules whether the rules of any zone are of another release than before
     * @param coming all sessions to come
     */
    public record Followed(boolean newRules, List<Moved> moved, List<Long> coming) {}

    /** Derives the instants of all sessions to come that were derived from other rules. */
    @Transactional
    public Followed follow(Actor actor) {
        actor.requireOrganiser();
        List<Moved> moved = new ArrayList<>();
        boolean newRules = false;
        List<SessionRecord> coming = writes.sql()
                .selectFrom(SESSION)
                .where(SESSION.ENDS_AT.gt(clock.instant()))
                .orderBy(SESSION.STARTS_AT)
                .fetch();
        for (SessionRecord row : coming) {
            ZoneId zone = ZoneId.of(row.getZone());
            String rules = WallClock.rules(zone);
            if (row.getZoneData().equals(rules) && !row.getWallStart().isEmpty()) {
                continue;
            }
            newRules |= !row.getWallStart().isEmpty();
            follow(row, zone, rules, moved);
        }
        return new Followed(
                newRules, moved, coming.stream().map(SessionRecord::getId).toList());
    }

    private void follow(SessionRecord row, ZoneId zone, String rules, List<Moved> moved) {
        Instant was = row.getStartsAt();
        String wall = row.getWallStart().isEmpty() ? WallClock.of(was, zone) : row.getWallStart();
        Instant is = WallClock.instant(wall, zone, was);
        Duration length = Duration.between(was, row.getEndsAt());
        writes.sql()
                .update(SESSION)
                .set(SESSION.WALL_START, wall)
                .set(SESSION.ZONE_DATA, rules)
                .set(SESSION.STARTS_AT, is)
                .set(SESSION.ENDS_AT, is.plus(length))
                .set(SESSION.SEQUENCE, is.equals(was) ? row.getSequence() : row.getSequence() + 1)
                .where(SESSION.ID.eq(row.getId()))
                .execute();
        if (!is.equals(was)) {
            moved.add(new Moved(row.getId(), was, is));
        }
    }
}
