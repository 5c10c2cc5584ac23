package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.answers.AnswerCommands;
import jollyroster.answers.RanOut;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.logbook.LogbookCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.GroupCommit;
import jollyroster.platform.Permissions;
import jollyroster.platform.Times;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Registers, cancels and moves. Each call is one write: the seat decision, its logbook entries and the messages it causes
 * are kept together or not at all. People who register in the same moment share a commit.
 */
@Component
public class RosterCommands {

    private final GroupCommit together;
    private final SessionCommands programme;
    private final OutboxCommands outbox;
    private final SeatCommands seats;
    private final WaitlistCommands waitlist;
    private final PersonCommands people;
    private final AnswerCommands answers;
    private final Invitations guests;
    private final Recipients recipients;
    private final LogbookCommands logbook;
    private final Permissions permissions;
    private final Clock clock;

    RosterCommands(
            GroupCommit together,
            SessionCommands programme,
            OutboxCommands outbox,
            SeatCommands seats,
            WaitlistCommands waitlist,
            PersonCommands people,
            AnswerCommands answers,
            Invitations guests,
            Recipients recipients,
            LogbookCommands logbook,
            Permissions permissions,
            Clock clock) {
        this.together = together;
        this.programme = programme;
        this.outbox = outbox;
        this.seats = seats;
        this.waitlist = waitlist;
        this.people = people;
        this.answers = answers;
        this.guests = guests;
        this.recipients = recipients;
        this.logbook = logbook;
        this.permissions = permissions;
        this.clock = clock;
    }

    /** Gives the party its seats, puts it on the waitlist, or says why neither. */
    public Registering register(Application asked) {
        return register(asked, Optional.empty());
    }

    /** The same for somebody who comes with an invitation. */
    public Registering register(Application asked, Optional<Link> invitation) {
        return together.run(() -> decide(asked, invitation));
    }

    private Registering decide(Application asked, Optional<Link> invitation) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> sentBefore = seats.bySubmission(asked.submission());
        if (sentBefore.isPresent()) {
            return done(sentBefore.get());
        }
        Optional<Session> session = programme.session(asked.session());
        Optional<Registering.Reason> refusal = refusal(session, asked, invitation, now);
        if (refusal.isPresent()) {
            return new Registering.Refused(refusal.get());
        }
        Session book = waitlist.book(session.orElseThrow());
        return admit(asked.on(book.id()), book, now);
    }

    private Optional<Registering.Reason> refusal(
            Optional<Session> session, Application asked, Optional<Link> invitation, Instant now) {
        if (session.isEmpty()) {
            return Optional.of(Registering.Reason.NO_SUCH_SESSION);
        }
        Session at = session.get();
        if (!now.isBefore(at.registersFor())) {
            return Optional.of(Registering.Reason.ALREADY_STARTED);
        }
        if (!at.isOpenAt(now)) {
            return Optional.of(Registering.Reason.NOT_OPEN);
        }
        if (!guests.mayCome(at.offering(), asked.email(), invitation)) {
            return Optional.of(Registering.Reason.INVITED_ONLY);
        }
        return asked.party() > at.offering().largestParty()
                ? Optional.of(Registering.Reason.PARTY_TOO_LARGE)
                : Optional.empty();
    }

    private Registering admit(Application asked, Session session, Instant now) {
        Optional<Long> known = people.find(asked.email());
        Optional<RegistrationRecord> standing = known.flatMap(person -> standing(session, person));
        if (standing.isPresent()) {
            outbox.answer(Anchor.LINK_AGAIN, Recipients.one(session, standing.get(), asked.email()), now);
            return new Registering.Already(standing.get().getSessionId() != session.id());
        }
        Arrival arrival = SeatRule.arrive(session.capacity(), waitlist.tallyFor(session, now), asked.party());
        if (arrival instanceof Arrival.Refused refused) {
            return new Registering.Refused(reason(refused.because()));
        }
        Optional<RanOut> ranOut = answers.ranOut(session.id(), asked.answers(), 0);
        if (ranOut.isPresent()) {
            return new Registering.OptionGone(ranOut.get());
        }
        long person = known.orElseGet(() -> people.add(asked.newcomer(), now));
        RegistrationRecord registration = add(asked, session, person, arrival, now);
        answers.keep(registration.getId(), asked.answers());
        logbook.arrival(session.id(), registration, arrival, now);
        tell(arrival, session, registration, asked.email(), now);
        if (arrival instanceof Arrival.Seated seated && seated.passesOverTheLine()) {
            passOverTheLine(session, registration, now);
        } else if (session.wayToSeat(now) == CallUp.Way.RACE) {
            waitlist.refill(session, now);
        }
        return done(registration);
    }

    private RegistrationRecord add(Application asked, Session session, long person, Arrival arrival, Instant now) {
        if (!(arrival instanceof Arrival.Seated)) {
            return seats.add(asked, person, RegistrationState.WAITLISTED, null, now);
        }
        boolean held = session.offering().signUp().emailConfirmed()
                || session.offering().signUp().isPaid();
        return held && permissions.member().isEmpty()
                ? seats.add(asked, person, RegistrationState.UNCONFIRMED, WaitlistCommands.holdUntil(session, now), now)
                : seats.add(asked, person, RegistrationState.REGISTERED, null, now);
    }

    private void passOverTheLine(Session session, RegistrationRecord newcomer, Instant now) {
        if (session.wayToSeat(now) != CallUp.Way.NOBODY) {
            seats.passOverTheLine(session, newcomer, now);
        }
    }

    /** Where the person stands already: on this session or, where one date is all a person holds, on any. */
    private Optional<RegistrationRecord> standing(Session session, long person) {
        if (session.offering().style() != SignUpStyle.ONE_DATE) {
            return seats.active(session.id(), person);
        }
        List<Long> dates = programme.ofOffering(session.offering().id()).stream()
                .filter(date -> date.end().isAfter(clock.instant()))
                .map(Session::id)
                .toList();
        return seats.activeOn(dates, person);
    }

    private void tell(Arrival arrival, Session session, RegistrationRecord registration, String email, Instant now) {
        if (registration.getHeldUntil() != null) {
            Anchor held = session.offering().signUp().isPaid() ? Anchor.PAY : Anchor.CONFIRM;
            outbox.answer(held, Recipients.one(session, registration, email), now);
        } else if (arrival instanceof Arrival.Seated) {
            outbox.answerAndRemind(Anchor.REGISTERED, recipients.of(session, registration, email), now);
        } else {
            outbox.answer(Anchor.WAITLISTED, Recipients.one(session, registration, email), now);
        }
    }

    private static Registering.Reason reason(Arrival.Refusal refusal) {
        return switch (refusal) {
            case LARGER_THAN_SESSION -> Registering.Reason.LARGER_THAN_SESSION;
            case FULL_WITHOUT_WAITLIST -> Registering.Reason.FULL;
            case WAITLIST_FULL -> Registering.Reason.WAITLIST_FULL;
        };
    }

    private static Registering.Done done(RegistrationRecord r) {
        return new Registering.Done(new Link(r.getId(), r.getGeneration()), RegistrationState.valueOf(r.getState()));
    }

    /**
     * Gives a registration's seats back and refills from the waitlist.
     *
     * @param actor who did it, for the logbook
     * @param why the reason, if one was given; else empty
     * @return false, with nothing changed, when it no longer stood or the session is over
     */
    @Transactional
    public boolean cancel(long registration, String actor, String why) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty() || !RegistrationState.ACTIVE.contains(stateOf(found.get()))) {
            return false;
        }
        Session session = programme.session(found.get().getSessionId()).orElseThrow();
        boolean over = programme.datesOf(session).stream().noneMatch(date -> now.isBefore(date.end()));
        if (over) {
            return false;
        }
        seats.settle(registration, RegistrationState.CANCELLED, why, now);
        logbook.cancelled(found.get(), actor, why, now);
        outbox.withdrawReminders(registration, "the seat was given back", now);
        outbox.answer(
                Anchor.CANCELLED,
                Recipients.one(session, found.get(), people.email(found.get().getPersonId())),
                now);
        waitlist.refill(session, now);
        return true;
    }

    /** What came of changing the date. */
    public enum Moved {
        DONE,
        /** The registration no longer stands, or the dates do not belong together. */
        NOT_POSSIBLE,
        /** The other date is not open for registration. */
        NOT_OPEN,
        /** The other date has too few free seats; the person keeps what they hold. */
        NO_SEATS
    }

    /**
     * Moves a registration to another date of its offering, in one write: both or neither. The seats it leaves are refilled
     * from that date's waitlist.
     *
     * @param actor who did it, for the logbook
     */
    @Transactional
    public Moved move(long registration, long to, String actor) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration)
                .filter(r -> RegistrationState.ACTIVE.contains(stateOf(r)) && r.getSessionId() != to);
        Optional<Session> target = programme.session(to).map(waitlist::book);
        if (found.isEmpty() || target.isEmpty()) {
            return Moved.NOT_POSSIBLE;
        }
        Session from = programme.session(found.get().getSessionId()).orElseThrow();
        boolean together = from.offering().id() == target.get().offering().id() && now.isBefore(from.start());
        if (!together || seats.active(to, found.get().getPersonId()).isPresent()) {
            return Moved.NOT_POSSIBLE;
        }
        return target.get().isOpenAt(now) ? move(found.get(), from, target.get(), actor, now) : Moved.NOT_OPEN;
    }

    private Moved move(RegistrationRecord r, Session from, Session to, String actor, Instant now) {
        Arrival arrival = SeatRule.arrive(to.capacity(), waitlist.tallyFor(to, now), r.getParty());
        if (!(arrival instanceof Arrival.Seated seated)) {
            return Moved.NO_SEATS;
        }
        seats.moveTo(r.getId(), to.id(), now);
        RegistrationRecord moved = seats.byId(r.getId()).orElseThrow();
        logbook.changedDate(moved, actor, from.id(), when(from), when(to), now);
        outbox.withdrawReminders(r.getId(), "the date was changed", now);
        outbox.answerAndRemind(Anchor.CHANGED, recipients.of(to, moved, people.email(r.getPersonId())), now);
        if (seated.passesOverTheLine()) {
            passOverTheLine(to, moved, now);
        }
        waitlist.refill(from, now);
        return Moved.DONE;
    }

    private static String when(Session session) {
        return Times.dayAndTime(session.start(), session.zone());
    }

    private static RegistrationState stateOf(RegistrationRecord r) {
        return RegistrationState.valueOf(r.getState());
    }
}
