package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.answers.GivenQueries;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.foresight.Course;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.roster.FillQueries;
import jollyroster.roster.RosterPageQueries;
import jollyroster.roster.RosterPageQueries.Filter;
import jollyroster.schedule.ChangeQueries;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Reads what the page of a session is made from. */
@Component
class SessionReading {

    private static final int LOGBOOK_SHOWN = 8;
    private static final int MOST = 300;
    private static final List<RegistrationState> WANT_A_DECISION =
            List.of(RegistrationState.UNCONFIRMED, RegistrationState.CALLED_UP, RegistrationState.WAITLISTED);

    /** So many parties can be drawn one by one. */
    private static final int DRAWN = 60;

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

    /** All that the page of a session shows, as it is now. @param everybody whether all people are to be on it */
    SessionFacts of(Session session, boolean everybody) {
        Instant now = clock.instant();
        Map<RegistrationState, RosterPageQueries.Count> counts = pages.counts(session.book());
        List<Registration> people = people(session, everybody, counts.values());
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
                attendance.ofSession(session.id(), session.held(), now),
                outbox.ofSession(session.id()),
                logbook.ofSession(session.id(), LOGBOOK_SHOWN),
                courses.get(session.book()),
                earlier.stream().map(courses::get).toList(),
                counts,
                roster.zonesOf(List.of(session.book())).getOrDefault(session.book(), Map.of()),
                roster.of(List.of(session.book())).get(session.book()).taken(),
                now);
    }

    /**
     * Everybody, where they are to be shown or can be drawn one by one; else those who want a decision, and the first. After
     * the session there is nothing to decide.
     */
    private List<Registration> people(Session session, boolean everybody, Collection<RosterPageQueries.Count> counts) {
        long book = session.book();
        Filter any = Filter.everybody();
        int all = counts.stream().mapToInt(RosterPageQueries.Count::parties).sum();
        if (everybody || all <= DRAWN) {
            return pages.page(book, any, 0, MOST);
        }
        boolean past = !session.end().isAfter(clock.instant());
        List<Registration> wanting = past ? List.of() : pages.page(book, any.in(WANT_A_DECISION), 0, RosterRows.SHOWN);
        return Stream.concat(wanting.stream(), pages.page(book, any, 0, RosterRows.SHOWN).stream())
                .collect(Collectors.toMap(Registration::id, r -> r, (one, same) -> one, LinkedHashMap::new))
                .values()
                .stream()
                .toList();
    }
}
