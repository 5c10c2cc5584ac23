package jollyroster.seating;

import java.time.Instant;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import jollyroster.core.seats.Obstacle;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.Scene;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SeatMachine;
import jollyroster.core.seats.Standing;
import jollyroster.core.seats.Terms;
import jollyroster.core.seats.Transition;
import jollyroster.platform.Actor;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.texting.AgreementCommands;
import org.springframework.stereotype.Component;

/**
 * The one way to a seat. Whatever happens to a registration is an event; core says what becomes of it, and the row, the
 * logbook, the letters and what follows for those who wait are written here, together, in the transaction that is under way.
 */
@Component
class Seating {

    private final SeatCommands seats;
    private final Consequences consequences;
    private final Books books;
    private final AgreementCommands agreements;

    Seating(SeatCommands seats, Consequences consequences, Books books, AgreementCommands agreements) {
        this.agreements = agreements;
        this.seats = seats;
        this.consequences = consequences;
        this.books = books;
    }

    /**
     * What came of an event.
     *
     * @param row as it is now; empty when somebody was not put on the roster at all
     */
    record Came(Transition transition, Optional<RegistrationRecord> row) {

        /** Why nothing was changed; empty when it was, or when all was as wanted. */
        Optional<Obstacle> obstacle() {
            return transition instanceof Transition.Refused refused ? Optional.of(refused.because()) : Optional.empty();
        }

        boolean done() {
            return obstacle().isEmpty();
        }

        RegistrationState state() {
            return RegistrationState.valueOf(row.orElseThrow().getState());
        }

        /** In which it stands as somebody wishes; empty when it was refused. */
        Optional<RegistrationState> standing() {
            return done() ? Optional.of(state()) : Optional.empty();
        }
    }

    /**
     * Puts somebody on the roster who is not on it.
     *
     * @param person finds or adds them, asked only when they are put on
     */
    Came admit(Application asked, LongSupplier person, Happening h) {
        Transition transition = foresee(asked, h);
        if (!(transition instanceof Transition.Becomes becomes)) {
            return new Came(transition, Optional.empty());
        }
        RegistrationRecord row = seats.add(asked, person.getAsLong(), SeatRow.of(becomes, h), h.now());
        if (!asked.texts().isEmpty() && !asked.phone().isEmpty()) {
            agreements.agree(row.getId(), asked.phone(), asked.texts(), h.now());
        }
        consequences.follow(h, Standing.NOBODY, becomes, row);
        return new Came(transition, Optional.of(row));
    }

    /** What would become of somebody who is not on the roster, were they put on it. */
    Transition foresee(Application asked, Happening h) {
        return SeatMachine.decide(Standing.NOBODY, h.event(), asked.party(), scene(Standing.NOBODY, h));
    }

    /** Lets something happen to a registration. @param party people in all there would be; 0 for as many as there are */
    Came happen(RegistrationRecord before, int party, Happening h) {
        Standing standing = standing(before);
        return write(before, standing, SeatMachine.decide(standing, h.event(), party, scene(standing, h)), h);
    }

    Came happen(RegistrationRecord before, Happening h) {
        return happen(before, 0, h);
    }

    /** The till says that money came for so many people more. */
    Came paid(RegistrationRecord before, int people, Happening h) {
        Standing standing = standing(before).settledFor(before.getSettledFor() + people);
        return write(
                before, standing, SeatMachine.decide(standing, h.event(), 0, scene(standing, h)), h.settled(people));
    }

    /** Money came that buys nothing: whoever paid is told that it is owed back. */
    void oweBack(RegistrationRecord row, Happening h) {
        consequences.oweBack(row, h);
    }

    private Came write(RegistrationRecord before, Standing standing, Transition transition, Happening h) {
        if (!(transition instanceof Transition.Becomes becomes)) {
            if (transition instanceof Transition.Refused refused && refused.because() == Obstacle.OUTRUN) {
                consequences.settle(h.book(), h.now());
            }
            return new Came(transition, Optional.of(before));
        }
        RegistrationRecord after = seats.write(before, h.book().id(), SeatRow.of(before, becomes, h), h.now());
        consequences.follow(h, standing, becomes, after);
        return new Came(transition, Optional.of(after));
    }

    private static Standing standing(RegistrationRecord r) {
        return new Standing(
                Optional.of(RegistrationState.valueOf(r.getState())),
                r.getParty(),
                r.getIsRacing(),
                r.getSettledFor(),
                r.getEndedBy().equals(Actor.Kind.TEAM.name()));
    }

    private Scene scene(Standing before, Happening h) {
        Session book = h.book();
        return new Scene(
                book.seats() == 0 ? Optional.empty() : Optional.of(book.capacity()),
                seats.tally(book),
                book.wayToSeat(h.now()),
                terms(h),
                passed(before, h));
    }

    /** The team gives seats as it likes; whoever comes by a link that was mailed to them has shown the address. */
    private static Terms terms(Happening h) {
        if (h.actor().kind() == Actor.Kind.TEAM) {
            return Terms.AT_ONCE;
        }
        if (h.book().offering().signUp().isPaid()) {
            return Terms.PAY;
        }
        return h.book().offering().signUp().emailConfirmed() && !h.proven() ? Terms.CONFIRM : Terms.AT_ONCE;
    }

    private Set<SeatEvent.Deadline> passed(Standing before, Happening h) {
        Set<SeatEvent.Deadline> passed = EnumSet.noneOf(SeatEvent.Deadline.class);
        boolean bound = h.actor().kind() == Actor.Kind.PERSON;
        if (bound && !h.book().isOpenAt(h.now())) {
            passed.add(SeatEvent.Deadline.REGISTRATION);
        }
        if (bound && !h.now().isBefore(h.book().changesUntil(before.settled() > 0))) {
            passed.add(SeatEvent.Deadline.CHANGES);
        }
        if (bound && !h.now().isBefore(h.from().movesUntil(before.settled() > 0))) {
            passed.add(SeatEvent.Deadline.MOVES);
        }
        boolean holds =
                before.state().filter(s -> s == RegistrationState.REGISTERED).isPresent();
        if (bound && holds && !h.now().isBefore(h.book().cancelsUntil())) {
            passed.add(SeatEvent.Deadline.CANCELLING);
        }
        if (books.isOver(h.book(), h.now())) {
            passed.add(SeatEvent.Deadline.END);
        }
        return passed;
    }

    /** Sends those back to the line for whom a race is lost, then gives free seats to those who wait. */
    void settle(Session book, Instant now) {
        consequences.settle(book, now);
    }
}
