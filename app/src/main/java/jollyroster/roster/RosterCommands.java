package jollyroster.roster;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.SeatRule;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.Recipient;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.ProgrammeCommands;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Registers, cancels and resizes. Each call is one write: the seat decision, its logbook entries and the messages it
 * causes are kept together or not at all.
 */
@Component
public class RosterCommands {

    private final ProgrammeCommands programme;
    private final OutboxCommands outbox;
    private final SeatCommands seats;
    private final PersonCommands people;
    private final LogbookCommands logbook;
    private final Clock clock;

    RosterCommands(
            ProgrammeCommands programme,
            OutboxCommands outbox,
            SeatCommands seats,
            PersonCommands people,
            LogbookCommands logbook,
            Clock clock) {
        this.programme = programme;
        this.outbox = outbox;
        this.seats = seats;
        this.people = people;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Gives the party its seats, puts it on the waitlist, or says why neither. */
    @Transactional
    public Registering register(Application asked) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> sentBefore = seats.bySubmission(asked.submission());
        if (sentBefore.isPresent()) {
            return done(sentBefore.get());
        }
        Optional<Session> session = programme.session(asked.session());
        Optional<Registering.Reason> refusal = refusal(session, asked, now);
        if (refusal.isPresent()) {
            return new Registering.Refused(refusal.get());
        }
        return admit(asked, session.orElseThrow(), now);
    }

    private static Optional<Registering.Reason> refusal(Optional<Session> session, Application asked, Instant now) {
        if (session.isEmpty()) {
            return Optional.of(Registering.Reason.NO_SUCH_SESSION);
        }
        Session at = session.get();
        if (!now.isBefore(at.start())) {
            return Optional.of(Registering.Reason.ALREADY_STARTED);
        }
        if (!at.isOpenAt(now)) {
            return Optional.of(Registering.Reason.NOT_OPEN);
        }
        return asked.party() > at.offering().largestParty()
                ? Optional.of(Registering.Reason.PARTY_TOO_LARGE)
                : Optional.empty();
    }

    private Registering admit(Application asked, Session session, Instant now) {
        Optional<Long> known = people.find(asked);
        Optional<RegistrationRecord> standing = known.flatMap(person -> seats.active(session.id(), person));
        if (standing.isPresent()) {
            outbox.answer(Anchor.LINK_AGAIN, recipient(session, standing.get(), asked.email()), now);
            return new Registering.Already();
        }
        Arrival arrival = SeatRule.arrive(session.capacity(), seats.tally(session), asked.party());
        if (arrival instanceof Arrival.Refused refused) {
            return new Registering.Refused(reason(refused.because()));
        }
        long person = known.orElseGet(() -> people.add(asked, now));
        RegistrationRecord registration = seats.add(asked, person, arrival instanceof Arrival.Seated, now);
        people.keepAnswers(registration.getId(), asked.answers());
        logbook.arrival(session.id(), registration, arrival, now);
        tell(arrival, recipient(session, registration, asked.email()), now);
        if (arrival instanceof Arrival.Seated seated && seated.passesOverTheLine()) {
            seats.passOverTheLine(session, registration, now);
        }
        return done(registration);
    }

    private void tell(Arrival arrival, Recipient to, Instant now) {
        if (arrival instanceof Arrival.Seated) {
            outbox.answerAndRemind(Anchor.REGISTERED, to, now);
        } else {
            outbox.answer(Anchor.WAITLISTED, to, now);
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
     * @return false, with nothing changed, when it no longer stood or the session is over
     */
    @Transactional
    public boolean cancel(long registration, String actor) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty() || !RegistrationState.ACTIVE.contains(stateOf(found.get()))) {
            return false;
        }
        Session session = programme.session(found.get().getSessionId()).orElseThrow();
        if (!now.isBefore(session.end())) {
            return false;
        }
        seats.setState(registration, RegistrationState.CANCELLED, now);
        logbook.cancelled(found.get(), actor, now);
        outbox.withdrawReminders(registration, "the seat was given back", now);
        outbox.answer(
                Anchor.CANCELLED,
                recipient(session, found.get(), people.email(found.get().getPersonId())),
                now);
        if (now.isBefore(session.start())) {
            refill(session, now);
        }
        return true;
    }

    /**
     * Changes the number of seats of a session. More seats are filled from the waitlist at once; fewer than are taken is
     * refused.
     *
     * @return the seats taken when that is more than {@code wanted}, else empty
     */
    @Transactional
    public Optional<Integer> resize(long session, int wanted, String actor) {
        Instant now = clock.instant();
        Session before = programme.session(session).orElseThrow();
        int taken = seats.tally(before).taken();
        if (wanted < taken || wanted < 1) {
            return Optional.of(taken);
        }
        programme.setSeats(session, wanted);
        logbook.resized(session, actor, before.seats(), wanted, now);
        Session after = programme.session(session).orElseThrow();
        if (now.isBefore(after.start())) {
            refill(after, now);
        }
        return Optional.empty();
    }

    private void refill(Session session, Instant now) {
        List<SeatRule.Move> moves =
                SeatRule.refill(session.capacity(), seats.tally(session).taken(), seats.line(session.id()));
        for (SeatRule.Move move : moves) {
            if (move instanceof SeatRule.Move.PassOver passOver) {
                seats.setPassedOver(passOver.party(), passOver.times());
                logbook.passedOver(session.id(), passOver, now);
            } else {
                seatFromLine(session, move.party(), now);
            }
        }
    }

    private void seatFromLine(Session session, long registration, Instant now) {
        seats.setState(registration, RegistrationState.REGISTERED, now);
        RegistrationRecord seated = seats.byId(registration).orElseThrow();
        logbook.seatedFromLine(seated, now);
        outbox.answerAndRemind(Anchor.CALLED_UP, recipient(session, seated, people.email(seated.getPersonId())), now);
    }

    private static RegistrationState stateOf(RegistrationRecord r) {
        return RegistrationState.valueOf(r.getState());
    }

    private static Recipient recipient(Session session, RegistrationRecord r, String email) {
        return new Recipient(
                r.getId(),
                session.id(),
                session.offering().id(),
                email,
                java.time.ZoneId.of(r.getZone()),
                session.offering().title(),
                session.zonedStart());
    }
}
