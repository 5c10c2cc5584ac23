package jollyroster.door;

import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.OutsideService;
import jollyroster.programme.Session;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Asks the meeting service for rooms and ways in, and never longer than its limit. */
@Component
class Rooms {

    private final OutsideService service;
    private final MeetingProvider meetings;

    Rooms(@Qualifier("meetingService") OutsideService service, MeetingProvider meetings) {
        this.service = service;
        this.meetings = meetings;
    }

    boolean isResting() {
        return service.isResting();
    }

    MeetingProvider.Answer make(Session session) {
        return make("session-" + session.id(), session.offering().title());
    }

    MeetingProvider.Answer make(String name, String title) {
        return service.ask(() -> meetings.makeRoom(name, title))
                .orElseGet(() -> new MeetingProvider.Answer.NotYet("The service did not answer."));
    }

    /** Where to send a person's browser; empty while the service does not answer. */
    Optional<String> entry(String room, String title, MeetingProvider.Coming who, Instant closes) {
        return service.ask(() -> meetings.entry(room, title, who, closes));
    }
}
