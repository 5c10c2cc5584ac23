package jollyroster.desk;

import java.time.Duration;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.chart.SeatStrip;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookQueries;
import jollyroster.platform.MarginNote;
import jollyroster.platform.Names;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.MeetingLink;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.sheet.OutlookWords;
import org.springframework.stereotype.Component;

/** Puts a session's page together from the programme, the roster, the outbox and attendance. */
@Component
class SessionAssembler {

    private final SessionReading reading;
    private final SignedIn signedIn;

    SessionAssembler(SessionReading reading, SignedIn signedIn) {
        this.reading = reading;
        this.signedIn = signedIn;
    }

    /** What is written on the page and its margin. @param rows the roster */
    record Page(SessionView view, List<SessionView.Line> rows, Optional<FillView> fill, List<MarginNote> notes) {}

    /** The page of a session that whoever is signed in may see. @param everybody whether all people are to be on it */
    Optional<Page> page(long id, boolean everybody) {
        return visible(id).map(session -> reading.of(session, everybody)).map(facts -> {
            SessionView view = view(facts, everybody);
            return new Page(
                    view,
                    view.lines(signedIn.isOrganiser(), !signedIn.isHelper()),
                    FillView.of(facts),
                    SessionNotes.of(facts));
        });
    }

    Optional<Session> visible(long id) {
        return reading.visible(id);
    }

    static SessionView view(SessionFacts facts, boolean everybody) {
        Session s = facts.session();
        List<SessionView.Row> rows = RosterRows.of(facts, everybody);
        return new SessionView(
                s.id(),
                s.offering().id(),
                s.offering().title(),
                s.offering().status().word(),
                Times.range(
                        s.start(),
                        s.end(),
                        s.zone(),
                        facts.now().atZone(s.zone()).toLocalDate()),
                Times.city(s.zone()),
                s.place().isEmpty() ? "no venue yet" : s.place(),
                HostQueries.names(facts.hosts(), s.offering().hostName()),
                s.seats(),
                facts.past(),
                facts.doorHasOpened(),
                s.isOnline(),
                strip(facts),
                RunLineView.of(s, facts.messages(), facts.now()),
                RunLineView.sendings(s, facts.messages()),
                facts.questions().stream().map(q -> q.question().label()).toList(),
                rows,
                Math.max(0, facts.parties() - rows.size()),
                facts.logbook().stream().map(l -> logged(l, s.zone())).toList(),
                summary(facts),
                s.cancelled(),
                s.offering().door().hasTurns(),
                s.own().note(),
                s.cancelled() || facts.past() ? "" : OutlookWords.of(s, facts.taken(), facts.now()),
                OutlookWords.code(s, facts.taken(), facts.now()),
                link(s),
                s.link().state() == MeetingLink.State.FAILED || s.link().tries() > 0,
                otherDates(facts),
                facts.undoable().stream()
                        .map(c -> new SessionView.Undo(
                                c.id(), c.words(), Times.length(Duration.between(facts.now(), c.until()))))
                        .toList());
    }

    private static String link(Session s) {
        boolean made = s.venue().filter(v -> v.kind() == Venue.Kind.MADE_LINK).isPresent();
        return !made || s.cancelled()
                ? ""
                : switch (s.link().state()) {
                    case NONE -> "The meeting link is made when the offering is published.";
                    case WANTED ->
                        s.link().tries() == 0
                                ? "The meeting link is being made."
                                : "The meeting link is late: " + s.link().problem() + askedAgain(s);
                    case MADE -> "The meeting link is made.";
                    case FAILED ->
                        "The meeting link could not be made: " + s.link().problem() + askedAgain(s);
                };
    }

    private static String askedAgain(Session s) {
        return Optional.ofNullable(s.link().askedAgain())
                .map(at -> " It is asked for again by itself, next at " + Times.time(at.atZone(s.zone())) + ".")
                .orElse("");
    }

    private static List<SessionView.OtherDate> otherDates(SessionFacts facts) {
        return facts.dates().size() < 2
                ? List.of()
                : facts.dates().stream()
                        .map(d -> new SessionView.OtherDate(
                                d.id(),
                                Times.dayAndTime(d.start(), d.zone()),
                                d.id() == facts.session().id(),
                                d.cancelled()))
                        .toList();
    }

    private static SeatStrip strip(SessionFacts facts) {
        List<SeatStrip.Party> parties = new ArrayList<>();
        facts.roster().stream()
                .filter(r -> r.state().takesSeats() && !r.hold().racing())
                .forEach(r -> parties.add(new SeatStrip.Party(r.party(), use(r.state()), "")));
        facts.in(RegistrationState.WAITLISTED)
                .forEach(r -> parties.add(new SeatStrip.Party(r.party(), SeatStrip.Use.WAITING, firstName(r.name()))));
        Session s = facts.session();
        boolean all = facts.roster().size() >= facts.parties();
        return all
                ? SeatStrip.of(s.seats(), s.keptBack(), parties, 17)
                : SeatStrip.ofCounts(
                        s.seats(), s.keptBack(), facts.taken(), facts.people(RegistrationState.WAITLISTED), 17);
    }

    private static SeatStrip.Use use(RegistrationState state) {
        return switch (state) {
            case UNCONFIRMED -> SeatStrip.Use.HELD;
            case CALLED_UP -> SeatStrip.Use.CALLED_UP;
            default -> SeatStrip.Use.TAKEN;
        };
    }

    private static String firstName(String name) {
        String first = Names.first(name);
        return first.length() > 10 ? first.substring(0, 9) + "…" : first;
    }

    private static String summary(SessionFacts facts) {
        int people = facts.parties(RegistrationState.REGISTERED);
        long came = facts.attended().values().stream()
                .filter(a -> a.verdict() == Verdict.ATTENDED)
                .count();
        return facts.past()
                ? came + " of " + people + " registrations attended"
                : people + (people == 1 ? " registration" : " registrations");
    }

    private static SessionView.Logged logged(LogbookQueries.Logged l, ZoneId zone) {
        boolean bySomebodyElse =
                !l.name().isEmpty() && !l.actor().equals(l.name()) && !l.actor().equals("attendee");
        return new SessionView.Logged(
                Times.dayAndTime(l.at(), zone),
                (l.name().isEmpty() ? l.actor() : l.name()) + " " + l.entry().words(),
                l.detail() + (bySomebodyElse ? " (by " + l.actor() + ")" : ""));
    }
}
