package jollyroster.programme;

import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps how far the meeting service is with each session's link. */
@Component
public class LinkCommands {

    /** Waits before the second, third, … try; after the last the link has failed. */
    static final List<Duration> WAITS =
            List.of(Duration.ofMinutes(1), Duration.ofMinutes(5), Duration.ofMinutes(15), Duration.ofHours(1));

    private static final Duration EACH = Duration.ofHours(1);
    private final Writes writes;
    private final Clock clock;

    LinkCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** Remembers the room the service made. */
    @Transactional
    public void made(long session, String room, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .update(SESSION)
                .set(SESSION.MEETING_ROOM, room)
                .set(SESSION.LINK_STATE, MeetingLink.State.MADE.name())
                .set(SESSION.LINK_PROBLEM, "")
                .setNull(SESSION.LINK_NEXT_AT)
                .where(SESSION.ID.eq(session))
                .execute();
    }

    /** Tries again later, each hour once it has failed often, until the session is over. @param problem what the service said */
    @Transactional
    public void notYet(Session session, String problem, Actor actor) {
        actor.requireTeam();
        int tries = session.link().tries() + 1;
        boolean failed = tries > WAITS.size();
        Instant next = clock.instant().plus(failed ? EACH : WAITS.get(tries - 1));
        boolean over = !next.isBefore(session.end());
        writes.sql()
                .update(SESSION)
                .set(SESSION.LINK_STATE, (failed ? MeetingLink.State.FAILED : MeetingLink.State.WANTED).name())
                .set(SESSION.LINK_TRIES, tries)
                .set(SESSION.LINK_PROBLEM, problem)
                .set(SESSION.LINK_NEXT_AT, over ? null : next)
                .where(SESSION.ID.eq(session.id()))
                .execute();
    }

    /** Asks anew, at once, for a link that is late or has failed. @return whether there was such a link to ask for */
    @Transactional
    public boolean askAgain(long session, Actor actor) {
        actor.requireOrganiser();
        return writes.sql()
                        .update(SESSION)
                        .set(SESSION.LINK_STATE, MeetingLink.State.WANTED.name())
                        .set(SESSION.LINK_TRIES, 0)
                        .set(SESSION.LINK_NEXT_AT, clock.instant())
                        .where(SESSION.ID.eq(session))
                        .and(SESSION.LINK_STATE.in(MeetingLink.State.FAILED.name(), MeetingLink.State.WANTED.name()))
                        .execute()
                == 1;
    }

    /** Asks anew, at once, for every link to come that is late or has failed. */
    @Transactional
    public void askAllAgain(Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(SESSION)
                .set(SESSION.LINK_STATE, MeetingLink.State.WANTED.name())
                .set(SESSION.LINK_TRIES, 0)
                .set(SESSION.LINK_NEXT_AT, clock.instant())
                .where(SESSION.LINK_STATE.in(MeetingLink.State.FAILED.name(), MeetingLink.State.WANTED.name()))
                .and(SESSION.ENDS_AT.gt(clock.instant()))
                .execute();
    }
}
