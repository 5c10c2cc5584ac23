package jollyroster.door;

import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import jollyroster.platform.OutsideService;
import jollyroster.programme.Session;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Asks the meeting service for rooms and ways in, and never longer than its limit. */
@Component
class Rooms {

    private static final Logger LOG = LoggerFactory.getLogger(Rooms.class);
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
        try {
            return service.call(
                    () -> meetings.makeRoom(session.id(), session.offering().title()));
        } catch (OutsideService.NoAnswer slow) {
            return new MeetingProvider.Answer.NotYet("The service did not answer.");
        } catch (ExecutionException outage) {
            service.failed();
            LOG.warn("The meeting service failed for session {}: {}", session.id(), String.valueOf(outage.getCause()));
            return new MeetingProvider.Answer.NotYet("The service did not answer.");
        }
    }

    /** Where to send a person's browser; empty while the service does not answer. */
    Optional<String> entry(String room, String title, String name, String pass, Instant closes) {
        try {
            return Optional.of(service.call(() -> meetings.entry(room, title, name, pass, closes)));
        } catch (OutsideService.NoAnswer slow) {
            return Optional.empty();
        } catch (ExecutionException outage) {
            service.failed();
            LOG.warn("The meeting service let nobody in: {}", String.valueOf(outage.getCause()));
            return Optional.empty();
        }
    }
}
