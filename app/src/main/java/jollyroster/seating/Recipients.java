package jollyroster.seating;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import jollyroster.outbox.Recipient;
import jollyroster.outbox.Was;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;

/** People on a roster as the outbox knows them. */
@Component
class Recipients {

    private final SessionCommands sessions;
    private final Clock clock;

    Recipients(SessionCommands sessions, Clock clock) {
        this.sessions = sessions;
        this.clock = clock;
    }

    /** The person for each date of the book that is still to come; for the session itself when none is. */
    List<Recipient> of(Session session, RegistrationRecord registration, String email) {
        List<Session> dates = session.lead() == null ? List.of(session) : sessions.datesOf(session);
        List<Recipient> coming = dates.stream()
                .filter(date -> !date.cancelled() && date.start().isAfter(clock.instant()))
                .map(date -> one(date, registration, email))
                .toList();
        return coming.isEmpty() ? List.of(one(session, registration, email)) : coming;
    }

    /** The person for one date. */
    static Recipient one(Session session, RegistrationRecord r, String email) {
        return new Recipient(
                r.getId(),
                session.id(),
                session.offering().id(),
                email,
                ZoneId.of(r.getZone()),
                session.offering().title(),
                session.timing(),
                session.sequence(),
                r.getIsReminded());
    }

    /** A session as people on it know it, to be told of once it is another. @param words the organiser's own, or empty */
    static Was was(Session session, String words) {
        return new Was(session.start(), session.end(), session.isOnline() ? "online" : session.place(), words);
    }
}
