package jollyroster.attendance;

import static jollyroster.platform.tables.Tables.CONNECTION;
import static jollyroster.platform.tables.Tables.HAND_MARK;

import java.time.Clock;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.ConnectionRecord;
import jollyroster.programme.HostQueries;
import jollyroster.programme.SessionCommands;
import org.jooq.Field;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the evidence of attendance. */
@Component
public class AttendanceCommands {

    private static final StayCommands<ConnectionRecord> STAYS =
            new StayCommands<>(CONNECTION, CONNECTION.VISIT, CONNECTION.JOINED_AT, CONNECTION.LEFT_AT);

    private final SessionCommands sessions;
    private final HostQueries hosts;
    private final LogbookCommands logbook;
    private final Writes writes;
    private final Clock clock;

    AttendanceCommands(
            SessionCommands sessions, HostQueries hosts, LogbookCommands logbook, Writes writes, Clock clock) {
        this.sessions = sessions;
        this.hosts = hosts;
        this.logbook = logbook;
        this.writes = writes;
        this.clock = clock;
    }

    /** Somebody came in. */
    @Transactional
    public void joined(String visit, long registration, long session, Instant at, Actor actor) {
        actor.requireTeam();
        STAYS.joined(writes.sql(), visit, whose(registration, session), at);
    }

    /** Somebody left. */
    @Transactional
    public void left(String visit, long registration, long session, Instant at, Actor actor) {
        actor.requireTeam();
        STAYS.left(writes.sql(), visit, whose(registration, session), at);
    }

    private static Map<Field<Long>, Long> whose(long registration, long session) {
        return Map.of(CONNECTION.REGISTRATION_ID, registration, CONNECTION.SESSION_ID, session);
    }

    /** Marks a verdict by hand, or takes the mark away. The evidence stays. */
    @Transactional
    public void mark(long registration, long session, Optional<Verdict> verdict, Actor actor) {
        actor.requireTeam();
        boolean theirs = sessions.session(session)
                .filter(s -> hosts.isVisible(s, actor, clock.instant()))
                .isPresent();
        if (!theirs) {
            throw new AccessDeniedException("Not a session of theirs");
        }
        writes.sql()
                .deleteFrom(HAND_MARK)
                .where(HAND_MARK.REGISTRATION_ID.eq(registration))
                .and(HAND_MARK.SESSION_ID.eq(session))
                .execute();
        verdict.ifPresent(v -> writes.sql()
                .insertInto(HAND_MARK)
                .set(HAND_MARK.REGISTRATION_ID, registration)
                .set(HAND_MARK.SESSION_ID, session)
                .set(HAND_MARK.VERDICT, v.name())
                .set(HAND_MARK.MARKED_BY, actor.name())
                .set(HAND_MARK.MARKED_AT, clock.instant())
                .execute());
        Facts what = Facts.of("verdict", verdict.map(Verdict::name).orElse(null));
        logbook.write(session, registration, actor, LogbookEntry.HAND_MARK, what, clock.instant());
    }
}
