package jollyroster.door;

import java.time.Instant;
import jollyroster.platform.Actor;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;

/** Who may stand at a door: whoever may see the session. */
@Component
class DoorKeepers {

    private final SessionCommands sessions;
    private final HostQueries hosts;

    DoorKeepers(SessionCommands sessions, HostQueries hosts) {
        this.sessions = sessions;
        this.hosts = hosts;
    }

    /** The session as it stands in the write that is under way. @throws AccessDeniedException where it is not theirs */
    Session session(long session, Actor actor, Instant now) {
        actor.requireTeam();
        return sessions.session(session)
                .filter(s -> hosts.isVisible(s, actor, now))
                .orElseThrow(() -> new AccessDeniedException("Not a session of theirs"));
    }
}
