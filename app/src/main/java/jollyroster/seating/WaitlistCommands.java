package jollyroster.seating;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SeatTally;
import jollyroster.logbook.LogbookCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The line of those who wait: gives freed seats to it, takes replies to call-ups, and lets what was held run out. Whatever
 * frees seats ends in a refill in the same write.
 */
@Component
public class WaitlistCommands {

    private static final Duration TO_CONFIRM = Duration.ofMinutes(30);
    private static final Duration TO_PAY = Duration.ofMinutes(15);
    private static final int BATCH = 100;
    private final SessionCommands programme;
    private final SeatCommands seats;
    private final PersonCommands people;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    WaitlistCommands(
            SessionCommands programme,
            SeatCommands seats,
            PersonCommands people,
            Recipients recipients,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.programme = programme;
        this.seats = seats;
        this.people = people;
        this.recipients = recipients;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Half an hour to confirm, a quarter to pay, but never into the session. */
    static Instant holdUntil(Session session, Instant now) {
        Instant until = now.plus(session.offering().signUp().isPaid() ? TO_PAY : TO_CONFIRM);
        return until.isBefore(session.registersFor()) ? until : session.registersFor();
    }

    /** What came of a reply to a call-up. */
    public enum Replied {
        SEATED,
        /** The seats are held until they are paid for. */
        TO_PAY,
        /** The time to reply had run out. */
        TOO_LATE,
        /** Others answered first; the place in the line is kept. */
        OUTRUN,
        /** Nothing is offered. */
        NOTHING_OFFERED,
        /** The offer was declined, and the line left. */
        DECLINED
    }

    /** The session that keeps the seats: itself, or the one that leads its series. */
    public Session book(Session session) {
        return session.book() == session.id()
                ? session
                : programme.session(session.book()).orElseThrow();
    }

    /** How full a session is for somebody who comes now; once the line is closed, nobody in it comes before them. */
    public SeatTally tallyFor(Session session, Instant now) {
        SeatTally tally = seats.tally(session);
        return session.wayToSeat(now) == CallUp.Way.NOBODY ? new SeatTally(tally.taken(), tally.waiting(), 0) : tally;
    }

    /** Gives free seats to those who wait, after something made seats free. */
    @Transactional
    public void refillFromLine(long session) {
        refill(book(programme.session(session).orElseThrow()), clock.instant());
    }

    /** The same as part of a write. Does nothing when the line is closed or nothing is free. */
    public void refill(Session book, Instant now) {
        boolean held = !book.cancelled() || book.lead() != null;
        CallUp.Way way = book.wayToSeat(now);
        if (!held || book.seats() == 0 || way == CallUp.Way.NOBODY) {
            return;
        }
        int taken = seats.tally(book).taken();
        List<SeatRule.Move> moves = SeatRule.refill(book.capacity(), taken, seats.line(book.id()), way);
        moves.forEach(move -> apply(move, book, way, now));
    }

    private void apply(SeatRule.Move move, Session book, CallUp.Way way, Instant now) {
        if (move instanceof SeatRule.Move.PassOver passOver) {
            seats.setPassedOver(passOver.party(), passOver.times());
            logbook.passedOver(book.id(), passOver, now);
        } else if (move instanceof SeatRule.Move.Seat) {
            seats.settle(move.party(), RegistrationState.REGISTERED, "", now);
            RegistrationRecord seated = seats.byId(move.party()).orElseThrow();
            logbook.seatedFromLine(seated, now);
            confirm(Anchor.SEATED, book, seated, now);
        } else {
            callUp(move.party(), book, way == CallUp.Way.RACE, now);
        }
    }

    private void callUp(long registration, Session book, boolean race, Instant now) {
        RegistrationRecord called = seats.byId(registration).orElseThrow();
        Instant replyBy = book.replyBy(now, ZoneId.of(called.getZone()));
        seats.callUp(registration, replyBy, race, now);
        logbook.calledUp(called, replyBy, race, now);
        answer(Anchor.CALLED_UP, book, called, now);
    }

    private void answer(Anchor anchor, Session book, RegistrationRecord r, Instant now) {
        outbox.answer(anchor, Recipients.one(book, r, people.email(r.getPersonId())), now);
    }

    private void confirm(Anchor anchor, Session book, RegistrationRecord r, Instant now) {
        outbox.answerAndRemind(anchor, recipients.of(book, r, people.email(r.getPersonId())), now);
    }

    /**
     * Takes the seats that are offered to a registration. Whoever waits when the line is closed may take seats that are
     * free.
     *
     * @param actor who did it, for the logbook
     */
    @Transactional
    public Replied accept(long registration, String actor) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty()) {
            return Replied.NOTHING_OFFERED;
        }
        RegistrationRecord r = found.get();
        Session book = programme.session(r.getSessionId()).orElseThrow();
        return switch (RegistrationState.valueOf(r.getState())) {
            case CALLED_UP -> isOver(r, book, now) ? runOut(r, book, now) : take(r, book, actor, now);
            case WAITLISTED ->
                book.wayToSeat(now) == CallUp.Way.NOBODY && now.isBefore(book.end())
                        ? takeIfFree(r, book, actor, now)
                        : Replied.NOTHING_OFFERED;
            case REGISTERED -> Replied.SEATED;
            case UNCONFIRMED, MAYBE, DECLINED, CANCELLED -> Replied.NOTHING_OFFERED;
        };
    }

    private static boolean isOver(RegistrationRecord r, Session book, Instant now) {
        return !now.isBefore(r.getHeldUntil()) || book.cancelled() && book.lead() == null;
    }

    private Replied take(RegistrationRecord r, Session book, String actor, Instant now) {
        if (!r.getIsRacing()) {
            return seat(r, book, actor, now);
        }
        Replied replied = takeIfFree(r, book, actor, now);
        letTheOutrunStandBack(book, now);
        refill(book, now);
        return replied;
    }

    private Replied takeIfFree(RegistrationRecord r, Session book, String actor, Instant now) {
        int free = book.capacity().free(seats.tally(book).taken());
        return r.getParty() <= free ? seat(r, book, actor, now) : Replied.OUTRUN;
    }

    private Replied seat(RegistrationRecord r, Session book, String actor, Instant now) {
        if (book.offering().signUp().isPaid()) {
            seats.hold(r.getId(), holdUntil(book, now), now);
            logbook.accepted(r, actor, now);
            answer(Anchor.PAY, book, seats.byId(r.getId()).orElseThrow(), now);
            return Replied.TO_PAY;
        }
        seats.settle(r.getId(), RegistrationState.REGISTERED, "", now);
        logbook.accepted(r, actor, now);
        confirm(Anchor.SEATED, book, r, now);
        return Replied.SEATED;
    }

    /** Those for whom a race is lost go back to their place in the line, and are told so. */
    void letTheOutrunStandBack(Session book, Instant now) {
        List<SeatRule.Waiter> racing = seats.racing(book.id());
        SeatRule.outrun(book.capacity(), seats.tally(book).taken(), racing).forEach(racer -> {
            seats.standBack(racer.id(), now);
            RegistrationRecord outrun = seats.byId(racer.id()).orElseThrow();
            logbook.outrun(outrun, now);
            answer(Anchor.OUTRUN, book, outrun, now);
        });
    }

    /** Confirms a registration whose seats are held; doing so again changes nothing. */
    @Transactional
    public Replied confirm(long registration) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty()) {
            return Replied.NOTHING_OFFERED;
        }
        RegistrationRecord r = found.get();
        Session book = programme.session(r.getSessionId()).orElseThrow();
        return switch (RegistrationState.valueOf(r.getState())) {
            case UNCONFIRMED ->
                book.offering().signUp().isPaid()
                        ? Replied.NOTHING_OFFERED
                        : isOver(r, book, now) ? runOut(r, book, now) : confirmed(r, book, now);
            case REGISTERED, CALLED_UP, WAITLISTED, MAYBE -> Replied.SEATED;
            case DECLINED, CANCELLED -> Replied.TOO_LATE;
        };
    }

    /** Whether a registration can still be paid for. */
    @Transactional(readOnly = true)
    public boolean mayPay(long registration) {
        return seats.byId(registration)
                .filter(r -> r.getState().equals(RegistrationState.UNCONFIRMED.name()))
                .isPresent();
    }

    /**
     * Takes the word of the till that a registration is paid for. Whoever pays while the seats are still held has them, even
     * when the time is over; whoever pays later has them if they are still free.
     *
     * @param amount in words, for the logbook
     * @return {@link Replied#SEATED}, or {@link Replied#TOO_LATE} when the money is owed back
     */
    @Transactional
    public Replied paid(long registration, String amount) {
        Instant now = clock.instant();
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Session book = programme.session(r.getSessionId()).orElseThrow();
        logbook.paid(r, amount, now);
        return switch (RegistrationState.valueOf(r.getState())) {
            case UNCONFIRMED -> confirmed(r, book, now);
            case REGISTERED, MAYBE -> Replied.TOO_LATE;
            case CALLED_UP, WAITLISTED, DECLINED -> Replied.TOO_LATE;
            case CANCELLED -> cameLate(r, book, now);
        };
    }

    private Replied cameLate(RegistrationRecord r, Session book, Instant now) {
        SeatTally tally = tallyFor(book, now);
        boolean free = now.isBefore(book.end())
                && tally.owed() == 0
                && tally.waiting() == 0
                && r.getParty() <= book.capacity().free(tally.taken())
                && seats.active(book.id(), r.getPersonId()).isEmpty();
        if (free) {
            return confirmed(r, book, now);
        }
        answer(Anchor.PAID_TOO_LATE, book, r, now);
        return Replied.TOO_LATE;
    }

    private Replied confirmed(RegistrationRecord r, Session book, Instant now) {
        seats.settle(r.getId(), RegistrationState.REGISTERED, "", now);
        logbook.confirmed(r, now);
        confirm(Anchor.REGISTERED, book, r, now);
        return Replied.SEATED;
    }

    /** Declines the seats that are offered and leaves the line. */
    @Transactional
    public Replied decline(long registration, String actor) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found =
                seats.byId(registration).filter(r -> r.getState().equals(RegistrationState.CALLED_UP.name()));
        if (found.isEmpty()) {
            return Replied.NOTHING_OFFERED;
        }
        seats.settle(registration, RegistrationState.DECLINED, "declined the seats offered", now);
        logbook.declined(found.get(), actor, now);
        refill(programme.session(found.get().getSessionId()).orElseThrow(), now);
        return Replied.DECLINED;
    }

    private Replied runOut(RegistrationRecord r, Session book, Instant now) {
        boolean calledUp = r.getState().equals(RegistrationState.CALLED_UP.name());
        String why = calledUp ? "the time to reply ran out" : "the time to confirm ran out";
        seats.settle(r.getId(), RegistrationState.CANCELLED, why, now);
        logbook.ranOut(r, why, Duration.between(r.getHeldUntil(), now), now);
        answer(Anchor.RAN_OUT, book, r, now);
        refill(book, now);
        return Replied.TOO_LATE;
    }

    /**
     * Lets holds and call-ups go whose time is over, with a refill for each. @return how many
     */
    @Transactional
    public int letRunOut() {
        Instant now = clock.instant();
        List<RegistrationRecord> over = seats.heldUntil(now, BATCH);
        over.forEach(r -> runOut(r, programme.session(r.getSessionId()).orElseThrow(), now));
        return over.size();
    }
}
