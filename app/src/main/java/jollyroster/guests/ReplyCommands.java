package jollyroster.guests;

import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.answers.AnswerCommands;
import jollyroster.answers.RanOut;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.logbook.LogbookCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Tell;
import jollyroster.seating.Application;
import jollyroster.seating.Recipients;
import jollyroster.seating.Registering;
import jollyroster.seating.SeatCommands;
import jollyroster.seating.WaitlistCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes answers to invitations: yes, maybe or no, changed as often as people like until answers are due. A yes takes seats
 * by the seat rule, or waits; a maybe and a no take none.
 */
@Component
public class ReplyCommands {

    private final Writes writes;
    private final SessionCommands programme;
    private final SeatCommands seats;
    private final WaitlistCommands waitlist;
    private final PersonCommands people;
    private final AnswerCommands answers;
    private final GuestCommands guests;
    private final TellCommands tell;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    ReplyCommands(
            Writes writes,
            SessionCommands programme,
            SeatCommands seats,
            WaitlistCommands waitlist,
            PersonCommands people,
            AnswerCommands answers,
            GuestCommands guests,
            TellCommands tell,
            Recipients recipients,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.writes = writes;
        this.programme = programme;
        this.seats = seats;
        this.waitlist = waitlist;
        this.people = people;
        this.answers = answers;
        this.guests = guests;
        this.tell = tell;
        this.recipients = recipients;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * Takes an answer, also in the place of an earlier one by the same address.
     *
     * @param invitation of the invitee who answers; empty for somebody who came by the public page
     */
    @Transactional
    public Registering answer(Application asked, Reply reply, Optional<Link> invitation) {
        Instant now = clock.instant();
        Optional<Session> session = programme.session(asked.session());
        if (session.isEmpty()) {
            return new Registering.Refused(Registering.Reason.NO_SUCH_SESSION);
        }
        Session book = waitlist.book(session.get());
        if (!book.isOpenAt(now)) {
            return new Registering.Refused(Registering.Reason.NOT_OPEN);
        }
        if (!guests.mayCome(book.offering(), asked.email(), invitation)) {
            return new Registering.Refused(Registering.Reason.INVITED_ONLY);
        }
        if (asked.party() > book.offering().largestParty()) {
            return new Registering.Refused(Registering.Reason.PARTY_TOO_LARGE);
        }
        return take(asked.on(book.id()), reply, invitation.isPresent(), book, now);
    }

    private Registering take(Application asked, Reply reply, boolean known, Session book, Instant now) {
        Optional<Long> person = people.find(asked.email());
        Optional<RegistrationRecord> before = person.flatMap(p -> latest(book.id(), p));
        if (before.isPresent() && !known) {
            outbox.answer(Anchor.LINK_AGAIN, Recipients.one(book, before.get(), asked.email()), now);
            return new Registering.Already(false);
        }
        long own = before.map(RegistrationRecord::getId).orElse(0L);
        Optional<RanOut> ranOut = answers.ranOut(book.id(), asked.answers(), own);
        if (ranOut.isPresent()) {
            return new Registering.OptionGone(ranOut.get());
        }
        if (before.isPresent()) {
            return changeAll(before.get(), asked, reply, book, now);
        }
        Optional<RegistrationState> state = stateFor(reply, book, asked.party(), now);
        if (state.isEmpty()) {
            return new Registering.Refused(Registering.Reason.FULL);
        }
        long who = person.orElseGet(() -> people.add(asked.newcomer(), now));
        RegistrationRecord r = seats.add(asked, who, state.get(), null, now);
        answers.keep(r.getId(), asked.answers());
        settled(r, reply, book, now);
        return done(r, state.get());
    }

    private Optional<RegistrationRecord> latest(long session, long person) {
        return writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.PERSON_ID.eq(person))
                .orderBy(REGISTRATION.ID.desc())
                .limit(1)
                .fetchOptional();
    }

    /** What becomes of an answer; empty when a yes finds neither seats nor a place in the line. */
    private Optional<RegistrationState> stateFor(Reply reply, Session book, int party, Instant now) {
        if (reply != Reply.YES) {
            return Optional.of(reply == Reply.MAYBE ? RegistrationState.MAYBE : RegistrationState.DECLINED);
        }
        Arrival arrival = SeatRule.arrive(book.capacity(), waitlist.tallyFor(book, now), party);
        if (arrival instanceof Arrival.Refused) {
            return Optional.empty();
        }
        return Optional.of(
                arrival instanceof Arrival.Seated ? RegistrationState.REGISTERED : RegistrationState.WAITLISTED);
    }

    /** Changes the answer of a registration, as its own page or a calendar program asks. */
    @Transactional
    public Registering change(long registration, Reply reply) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty()) {
            return new Registering.Refused(Registering.Reason.NO_SUCH_SESSION);
        }
        Session book = programme.session(found.get().getSessionId()).orElseThrow();
        return book.isOpenAt(now)
                ? change(found.get(), found.get().getParty(), reply, book, now)
                : new Registering.Refused(Registering.Reason.NOT_OPEN);
    }

    /** Changes the answer of somebody who is invited, with all they said before; a no leaves that as it was. */
    private Registering changeAll(RegistrationRecord r, Application asked, Reply reply, Session book, Instant now) {
        int party = reply == Reply.NO ? r.getParty() : asked.party();
        Registering came = change(r, party, reply, book, now);
        if (came instanceof Registering.Done && reply != Reply.NO) {
            answers.replaceAll(r.getId(), asked.answers());
            seats.setCompanions(r.getId(), asked.companions(), now);
        }
        return came;
    }

    private Registering change(RegistrationRecord r, int party, Reply reply, Session book, Instant now) {
        RegistrationState before = RegistrationState.valueOf(r.getState());
        boolean same = Reply.of(before).filter(reply::equals).isPresent() && before != RegistrationState.CANCELLED;
        if (same && r.getParty() == party) {
            return done(r, before);
        }
        seats.settle(r.getId(), RegistrationState.DECLINED, "", now);
        Optional<RegistrationState> state = stateFor(reply, book, party, now);
        if (state.isEmpty()) {
            seats.settle(r.getId(), before, "", now);
            return new Registering.Refused(Registering.Reason.FULL);
        }
        seats.setParty(r.getId(), party, now);
        if (state.get() == RegistrationState.WAITLISTED) {
            seats.joinLine(r.getId(), now);
        } else {
            seats.settle(r.getId(), state.get(), "", now);
        }
        outbox.withdrawReminders(r.getId(), "the answer was changed", now);
        settled(seats.byId(r.getId()).orElseThrow(), reply, book, now);
        waitlist.refill(book, now);
        return done(r, state.get());
    }

    private void settled(RegistrationRecord r, Reply reply, Session book, Instant now) {
        String email = people.email(r.getPersonId());
        RegistrationState state = RegistrationState.valueOf(r.getState());
        logbook.replied(r, reply.code(), now);
        if (state == RegistrationState.REGISTERED) {
            outbox.answerAndRemind(Anchor.REGISTERED, recipients.of(book, r, email), now);
        } else {
            outbox.answer(
                    state == RegistrationState.WAITLISTED ? Anchor.WAITLISTED : Anchor.REPLIED,
                    Recipients.one(book, r, email),
                    now);
        }
        if (book.offering().signUp().tell() == Tell.EACH) {
            tell.ofOne(book, r.getName(), reply, now);
        }
    }

    private static Registering.Done done(RegistrationRecord r, RegistrationState state) {
        return new Registering.Done(new Link(r.getId(), r.getGeneration()), state);
    }
}
