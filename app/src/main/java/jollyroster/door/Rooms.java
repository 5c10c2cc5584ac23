package jollyroster.door;

import java.time.Instant;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.platform.OutsideService;
import jollyroster.platform.ServiceCuts;
import jollyroster.programme.Session;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Asks the meeting service for rooms and ways in, never longer than its limit, and nothing while it is cut off. */
@Component
class Rooms {

    private static final MeetingProvider.Answer CUT =
            new MeetingProvider.Answer.NotYet("The meeting service is not connected.");
    private static final MeetingProvider.Answer SILENT =
            new MeetingProvider.Answer.NotYet("The service did not answer.");
    private final OutsideService service;
    private final MeetingProvider meetings;
    private final ServiceCuts cuts;

    Rooms(@Qualifier("meetingService") OutsideService service, MeetingProvider meetings, ServiceCuts cuts) {
        this.service = service;
        this.meetings = meetings;
        this.cuts = cuts;
    }

    /** Whether it need not be asked for anything just now. */
    boolean isResting() {
        return service.isResting() || cuts.isCut(ServiceCuts.MEETINGS);
    }

    MeetingProvider.Answer make(Session session) {
        return make("session-" + session.id(), session.offering().title());
    }

    MeetingProvider.Answer make(String name, String title) {
        return cuts.isCut(ServiceCuts.MEETINGS)
                ? CUT
                : service.ask(() -> meetings.makeRoom(name, title)).orElse(SILENT);
    }

    /** Everybody is out, as soon as the service does it. */
    void end(String room) {
        if (!cuts.isCut(ServiceCuts.MEETINGS)) {
            service.ask(() -> {
                meetings.end(room);
                return true;
            });
        }
    }

    /** Where to send a person's browser; empty while the service lets nobody in or does not answer. */
    Optional<String> entry(String room, String title, MeetingProvider.Coming who, Instant closes) {
        if (cuts.isCut(ServiceCuts.MEETINGS)) {
            return Optional.empty();
        }
        return meetings.entersAtOnce()
                ? meetings.entry(room, title, who, closes)
                : service.ask(() -> meetings.entry(room, title, who, closes)).flatMap(Function.identity());
    }
}
