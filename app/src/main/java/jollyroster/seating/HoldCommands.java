package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.Obstacle;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.Transition;
import jollyroster.platform.Actor;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is held for people or offered to them: taken, declined, confirmed, paid for, or let go when its time is over. */
@Component
public class HoldCommands {

    private final Books books;
    private final Seating seating;
    private final SeatCommands seats;
    private final Clock clock;

    HoldCommands(Books books, Seating seating, SeatCommands seats, Clock clock) {
        this.books = books;
        this.seating = seating;
        this.seats = seats;
        this.clock = clock;
    }

    /** What came of a reply to a call-up, of a confirmation or of a payment. */
    public enum Replied {
        SEATED,
        /** The seats are held until they are paid for. */
        TO_PAY,
        /** The seats are held until the address is confirmed. */
        TO_CONFIRM,
        /** The time to reply had run out. */
        TOO_LATE,
        /** Others answered first; the place in the line is kept. */
        OUTRUN,
        /** Nothing is offered. */
        NOTHING_OFFERED,
        /** The offer was declined, and the line left. */
        DECLINED
    }

    /** Gives free seats to those who wait, after something made seats free. Part of the write that did. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void refillFromLine(long session) {
        seating.settle(books.get(session), clock.instant());
    }

    /**
     * Takes the seats that are offered to a registration. Whoever waits when the line is closed may take seats that are
     * free.
     */
    @Transactional
    public Replied accept(long registration, Actor actor) {
        actor.requireOver(registration);
        return inTime(registration, SeatEvent.ACCEPT, actor);
    }

    /** Declines the seats that are offered and leaves the line. */
    @Transactional
    public Replied decline(long registration, Actor actor) {
        actor.requireOver(registration);
        Optional<RegistrationRecord> found = seats.byId(registration);
        boolean declined = found.isPresent()
                && seating.happen(
                                found.get(),
                                event(SeatEvent.DECLINE, found.get(), actor).because("declined the seats offered"))
                        .done();
        return declined ? Replied.DECLINED : Replied.NOTHING_OFFERED;
    }

    /** Confirms a registration whose seats are held; doing so again changes nothing. */
    @Transactional
    public Replied confirm(long registration, Actor actor) {
        actor.requireOver(registration);
        return inTime(registration, SeatEvent.CONFIRM, actor);
    }

    private Happening event(SeatEvent event, RegistrationRecord r, Actor actor) {
        return Happening.of(event, books.get(r.getSessionId()), actor, clock.instant());
    }

    private Replied inTime(long registration, SeatEvent event, Actor actor) {
        Optional<RegistrationRecord> found = seats.byId(registration);
        if (found.isEmpty()) {
            return Replied.NOTHING_OFFERED;
        }
        Happening h = event(event, found.get(), actor).proven(event == SeatEvent.CONFIRM);
        if (isOver(found.get(), h.book(), h.now())) {
            runOut(found.get(), h.book(), h.now());
            return Replied.TOO_LATE;
        }
        boolean gone = !RegistrationState.ACTIVE.contains(
                RegistrationState.valueOf(found.get().getState()));
        return gone && event == SeatEvent.CONFIRM ? Replied.TOO_LATE : replied(seating.happen(found.get(), h), h);
    }

    private Replied replied(Seating.Came came, Happening h) {
        if (came.obstacle().isPresent()) {
            return came.obstacle().get() == Obstacle.OUTRUN ? Replied.OUTRUN : Replied.NOTHING_OFFERED;
        }
        if (came.transition() instanceof Transition.Stays || came.state() != RegistrationState.UNCONFIRMED) {
            return Replied.SEATED;
        }
        return h.book().offering().signUp().isPaid() ? Replied.TO_PAY : Replied.TO_CONFIRM;
    }

    private static boolean isOver(RegistrationRecord r, Session book, Instant now) {
        return r.getHeldUntil() != null && (!now.isBefore(r.getHeldUntil()) || book.cancelled() && book.lead() == null);
    }

    /** For how many people of a registration something is due now. */
    @Transactional(readOnly = true)
    public int due(long registration) {
        return seats.byId(registration)
                .filter(r -> r.getState().equals(RegistrationState.UNCONFIRMED.name()))
                .map(r -> r.getParty() - r.getSettledFor())
                .orElse(0);
    }

    /**
     * Takes the word of the till that a registration is paid for. Whoever pays while the seats are still held has them, even
     * when the time is over; whoever pays later has them if they are still free.
     *
     * @param people for how many of the party
     * @param amount in words, for the logbook
     * @return {@link Replied#SEATED}; {@link Replied#TO_PAY} when more is due; else the money is owed back
     */
    @Transactional
    public Replied paid(long registration, int people, String amount, Actor actor) {
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Happening h = event(SeatEvent.PAY, r, actor).with("amount", amount);
        boolean again = seats.activeOn(books.exclusive(h.book(), h.now()), r.getPersonId())
                .filter(other -> !other.getId().equals(r.getId()))
                .isPresent();
        Optional<Seating.Came> came = again ? Optional.empty() : Optional.of(seating.paid(r, people, h));
        if (came.filter(Seating.Came::done).isEmpty()) {
            seating.oweBack(r, h);
            return Replied.TOO_LATE;
        }
        return came.get().state() == RegistrationState.REGISTERED ? Replied.SEATED : Replied.TO_PAY;
    }

    /** Up to so many registrations whose hold or call-up is over, the longest overdue first. */
    @Transactional(readOnly = true)
    public List<Long> overdue(int most) {
        return seats.heldUntil(clock.instant(), most);
    }

    /** Lets the hold or call-up of a registration go, with a refill. Does nothing when its time is not over. */
    @Transactional
    public void letRunOut(long registration, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        seats.byId(registration)
                .filter(r -> r.getHeldUntil() != null && !now.isBefore(r.getHeldUntil()))
                .ifPresent(r -> runOut(r, books.get(r.getSessionId()), now));
    }

    private void runOut(RegistrationRecord r, Session book, Instant now) {
        boolean calledUp = r.getState().equals(RegistrationState.CALLED_UP.name());
        String why = calledUp
                ? "the time to reply ran out"
                : book.offering().signUp().isPaid() ? "the time to pay ran out" : "the time to confirm ran out";
        Happening h = Happening.of(SeatEvent.RUN_OUT, book, HoldWorker.ACTOR, now)
                .because(why)
                .with("late", SeatLog.late(r, now))
                .with("unpaid", !calledUp && book.offering().signUp().isPaid());
        seating.happen(r, h);
    }
}
