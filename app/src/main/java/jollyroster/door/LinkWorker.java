package jollyroster.door;

import java.time.Clock;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
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
    private final MeetingProvider meetings;
    private final Clock clock;
    private final boolean auto;

    LinkWorker(
            ProgrammeQueries programme,
            LinkCommands links,
            MeetingProvider meetings,
            Clock clock,
            @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.programme = programme;
        this.links = links;
        this.meetings = meetings;
        this.clock = clock;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 2000)
    void tick() {
        if (auto) {
            makeWanted();
        }
    }

    /** Asks for every room that is wanted now. @return how many were made */
    public synchronized int makeWanted() {
        List<Session> wanted = programme.wantingLinks(clock.instant(), BATCH);
        return (int) wanted.stream().filter(this::make).count();
    }

    private boolean make(Session session) {
        MeetingProvider.Answer answer = ask(session);
        if (answer instanceof MeetingProvider.Answer.Made made) {
            links.made(session.id(), made.room(), ACTOR);
            return true;
        }
        links.notYet(session, ((MeetingProvider.Answer.NotYet) answer).why(), ACTOR);
        return false;
    }

    private MeetingProvider.Answer ask(Session session) {
        try {
            return meetings.makeRoom(session.id(), session.offering().title());
        } catch (RuntimeException outage) {
            LOG.warn("The meeting service failed for session {}", session.id(), outage);
            return new MeetingProvider.Answer.NotYet("The service did not answer.");
        }
    }
}
