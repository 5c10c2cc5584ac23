package jollyroster.rooms;

import jollyroster.platform.Actor;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Ends the meetings of standing rooms that nobody has been in for a while. */
@Component
class RoomWorker {

    private static final Actor ACTOR = new Actor.Program("standing rooms");
    private final RoomMeetingCommands meetings;

    RoomWorker(RoomMeetingCommands meetings) {
        this.meetings = meetings;
    }

    @Scheduled(fixedDelay = 30_000, initialDelay = 30_000)
    void tidy() {
        meetings.tidy(ACTOR);
    }
}
