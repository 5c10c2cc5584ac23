package jollyroster.schedule;

import static jollyroster.platform.tables.Tables.CLOCK_CHANGE;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.WallClockCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What follows when the clocks of a zone change otherwise than was known: messages are planned anew, and it is written down. */
@Component
public class ClockChangeCommands {

    private final Writes writes;
    private final WallClockCommands clocks;
    private final SessionCommands sessions;
    private final NoticeCommands notices;
    private final Clock clock;

    ClockChangeCommands(
            Writes writes, WallClockCommands clocks, SessionCommands sessions, NoticeCommands notices, Clock clock) {
        this.writes = writes;
        this.clocks = clocks;
        this.sessions = sessions;
        this.notices = notices;
        this.clock = clock;
    }

    /** Follows the zone data this program runs with. @return how many sessions start at another instant */
    @Transactional
    public int follow(Actor actor) {
        WallClockCommands.Followed followed = clocks.follow(actor);
        Instant now = clock.instant();
        followed.moved().forEach(moved -> note(moved, now));
        if (followed.newRules()) {
            planAnew(followed.coming());
        }
        return followed.moved().size();
    }

    private void note(WallClockCommands.Moved moved, Instant now) {
        Session session = sessions.session(moved.session()).orElseThrow();
        writes.sql()
                .insertInto(CLOCK_CHANGE)
                .set(CLOCK_CHANGE.SESSION_ID, moved.session())
                .set(CLOCK_CHANGE.NOTED_AT, now)
                .set(CLOCK_CHANGE.WAS_AT, moved.was())
                .set(CLOCK_CHANGE.IS_AT, moved.is())
                .set(CLOCK_CHANGE.PEOPLE, notices.standingOn(session))
                .execute();
    }

    /** Also of sessions that did not move: the clocks of the people on them may have. */
    private void planAnew(List<Long> coming) {
        coming.forEach(id -> notices.replan(sessions.session(id).orElseThrow()));
    }
}
