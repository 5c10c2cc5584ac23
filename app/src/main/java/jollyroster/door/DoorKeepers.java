package jollyroster.door;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;

/** Who may stand at a door: whoever may see the session, and its producer. */
@Component
public class DoorKeepers {

    private final SessionCommands sessions;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final Producers producers;
    private final Clock clock;

    DoorKeepers(
            SessionCommands sessions, ProgrammeQueries programme, HostQueries hosts, Producers producers, Clock clock) {
        this.sessions = sessions;
        this.programme = programme;
        this.hosts = hosts;
        this.producers = producers;
        this.clock = clock;
    }

    private boolean mayKeep(Session session, Actor actor, Instant now) {
        return hosts.isVisible(session, actor, now) || producers.isProducer(session.id(), actor);
    }

    /** The session, where somebody may see it. */
    public Optional<Session> visible(long session, Actor actor) {
        return programme.session(session).filter(s -> mayKeep(s, actor, clock.instant()));
    }

    /** Whether somebody leads at this door: not a helper, unless they are its producer. */
    public boolean leads(Session session, Actor actor) {
        boolean helper = actor instanceof Actor.Team member && member.role() == Role.HELPER;
        return mayKeep(session, actor, clock.instant()) && !helper || producers.isProducer(session.id(), actor);
    }

    /** The session as it stands in the write that is under way. @throws AccessDeniedException where it is not theirs */
    public Session session(long session, Actor actor, Instant now) {
        actor.requireTeam();
        return sessions.session(session)
                .filter(s -> mayKeep(s, actor, now))
                .orElseThrow(() -> new AccessDeniedException("Not a session of theirs"));
    }
}
