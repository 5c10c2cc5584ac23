package jollyroster.door;

import java.time.Clock;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Asks the meeting service for the rooms that sessions want, outside any transaction, and asks again later when it has
 * none to give. If the process dies in between, the session still wants its room.
 */
@Component
public class LinkWorker {

    private static final Actor ACTOR = new Actor.Program("links");
    private static final Logger LOG = LoggerFactory.getLogger(LinkWorker.class);
    private static final int BATCH = 50;
    private final ProgrammeQueries programme;
    private final LinkCommands links;
    private final Rooms rooms;
    private final Clock clock;

    LinkWorker(ProgrammeQueries programme, LinkCommands links, Rooms rooms, Clock clock) {
        this.programme = programme;
        this.links = links;
        this.rooms = rooms;
        this.clock = clock;
    }

    /** Asks for every room that is wanted now. @return how many were made */
    @Scheduled(fixedDelay = 2000)
    public synchronized int makeWanted() {
        if (rooms.isResting()) {
            return 0;
        }
        List<Session> wanted = programme.wantingLinks(clock.instant(), BATCH);
        return (int) wanted.stream().filter(this::isMade).count();
    }

    /** A session whose room cannot be made holds up no other. */
    private boolean isMade(Session session) {
        try {
            return make(session);
        } catch (RuntimeException bad) {
            LOG.error("No room for session {}: {}", session.id(), bad.toString());
            return false;
        }
    }

    private boolean make(Session session) {
        MeetingProvider.Answer answer = rooms.make(session);
        if (answer instanceof MeetingProvider.Answer.Made made) {
            links.made(session.id(), made.room(), ACTOR);
            return true;
        }
        links.notYet(session, ((MeetingProvider.Answer.NotYet) answer).why(), ACTOR);
        return false;
    }
}
