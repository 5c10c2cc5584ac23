package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.answers.GivenQueries;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.foresight.Course;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.roster.FillQueries;
import jollyroster.roster.RosterPageQueries;
import jollyroster.schedule.ChangeQueries;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Reads what the page of a session is made from. */
@Component
class SessionReading {

    private static final int LOGBOOK_SHOWN = 40;
    private static final int ROWS_SHOWN = 40;
    private static final int ROWS_TO_MARK = 300;
    private final SignedIn signedIn;
    private final GivenQueries given;
    private final LogbookQueries logbook;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final Clashes clashes;
    private final ChangeQueries changes;
    private final RegistrationQueries roster;
    private final RosterPageQueries pages;
    private final FillQueries fill;
    private final OutboxQueries outbox;
    private final AttendanceQueries attendance;
    private final Clock clock;

    SessionReading(
            SignedIn signedIn,
            GivenQueries given,
            LogbookQueries logbook,
            ProgrammeQueries programme,
            HostQueries hosts,
            Clashes clashes,
            ChangeQueries changes,
            RegistrationQueries roster,
            RosterPageQueries pages,
            FillQueries fill,
            OutboxQueries outbox,
            AttendanceQueries attendance,
            Clock clock) {
        this.signedIn = signedIn;
        this.given = given;
        this.logbook = logbook;
        this.programme = programme;
        this.hosts = hosts;
        this.clashes = clashes;
        this.changes = changes;
        this.roster = roster;
        this.pages = pages;
        this.fill = fill;
        this.outbox = outbox;
        this.attendance = attendance;
        this.clock = clock;
    }

    /** A session that whoever is signed in may see. */
    Optional<Session> visible(long id) {
        return programme.session(id).filter(s -> hosts.isVisible(s, signedIn.actor(), clock.instant()));
    }

    /** All that the page of a session shows, as it is now. */
    SessionFacts of(Session session) {
        Instant now = clock.instant();
        List<Registration> people =
                pages.page(session.book(), RosterPageQueries.Filter.everybody(), 0, shown(session, now));
        List<Long> earlier = fill.earlier(session.offering().id(), session.registersFor()).stream()
                .filter(other -> other != session.book())
                .toList();
        Map<Long, Course> courses = fill.courses(
                Stream.concat(Stream.of(session.book()), earlier.stream()).toList());
        return new SessionFacts(
                session,
                programme.datesOf(session),
                hosts.of(session),
                clashes.of(List.of(session), now),
                changes.open(session.offering().id(), now),
                people,
                programme.questions(session.offering().id()),
                given.answers(people.stream().map(Registration::id).toList()),
                roster.registrationsBefore(
                        people.stream().map(Registration::person).toList(), session.book()),
                attendance.ofSession(session.id(), session.span(), now),
                outbox.ofSession(session.id()),
                logbook.ofSession(session.id(), LOGBOOK_SHOWN),
                courses.get(session.book()),
                earlier.stream().map(courses::get).toList(),
                pages.counts(session.book()),
                roster.zonesOf(List.of(session.book())).getOrDefault(session.book(), Map.of()),
                roster.of(List.of(session.book())).get(session.book()).taken(),
                now);
    }

    /** As many as can be looked over; more once people can be marked. */
    private static int shown(Session session, Instant now) {
        return now.isBefore(session.doorHours().opens()) ? ROWS_SHOWN : ROWS_TO_MARK;
    }
}
