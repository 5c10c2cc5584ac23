package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.platform.Actor;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Ends registrations, and moves them to another date: by the person, or by an organiser. */
@Component
public class ChangeSeatCommands {

    private final Books books;
    private final Seating seating;
    private final SeatCommands seats;
    private final Clock clock;

    ChangeSeatCommands(Books books, Seating seating, SeatCommands seats, Clock clock) {
        this.books = books;
        this.seating = seating;
        this.seats = seats;
        this.clock = clock;
    }

    /**
     * Ends a registration and refills from the waitlist.
     *
     * @param why the reason, if one was given; else empty
     * @return false, with nothing changed, when it no longer stood or the session is over
     */
    @Transactional
    public boolean cancel(long registration, String why, Actor actor) {
        actor.requireOver(registration);
        Optional<RegistrationRecord> found = seats.byId(registration);
        return found.isPresent()
                && seating.happen(
                                found.get(),
                                event(SeatEvent.CANCEL, found.get(), actor).because(why))
                        .done();
    }

    private Happening event(SeatEvent event, RegistrationRecord r, Actor actor) {
        return Happening.of(event, books.get(r.getSessionId()), actor, clock.instant());
    }

    /** What came of changing the date. */
    public enum Moved {
        DONE,
        /** The registration no longer stands, or the dates do not belong together. */
        NOT_POSSIBLE,
        /** Changes are no longer allowed. */
        TOO_LATE,
        /** The other date is not open for registration. */
        NOT_OPEN,
        /** The other date has too few free seats; the person keeps what they hold. */
        NO_SEATS
    }

    /**
     * Moves a registration to another date of its offering, in one write: both or neither. The seats it leaves are refilled
     * from that date's waitlist.
     */
    @Transactional
    public Moved move(long registration, long to, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = seats.byId(registration)
                .filter(r -> RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState())));
        Optional<Session> target = books.find(to);
        if (found.isEmpty() || target.isEmpty()) {
            return Moved.NOT_POSSIBLE;
        }
        Session from = books.get(found.get().getSessionId());
        boolean together = from.id() != target.get().id()
                && from.offering().id() == target.get().offering().id()
                && (actor.kind() != Actor.Kind.PERSON || from.offering().style().choosesDates())
                && now.isBefore(from.registersFor());
        if (!together
                || seats.active(target.get().id(), found.get().getPersonId()).isPresent()) {
            return Moved.NOT_POSSIBLE;
        }
        if (actor.kind() == Actor.Kind.PERSON
                && !now.isBefore(from.changesUntil(found.get().getSettledFor() > 0))) {
            return Moved.TOO_LATE;
        }
        return target.get().isOpenAt(now) ? move(found.get(), from, target.get(), actor, now) : Moved.NOT_OPEN;
    }

    private Moved move(RegistrationRecord r, Session from, Session to, Actor actor, Instant now) {
        Seating.Came came =
                seating.happen(r, Happening.of(SeatEvent.MOVE, to, actor, now).from(from));
        return came.obstacle()
                .map(obstacle -> switch (obstacle) {
                    case TOO_LATE -> Moved.TOO_LATE;
                    case NOT_POSSIBLE -> Moved.NOT_POSSIBLE;
                    default -> Moved.NO_SEATS;
                })
                .orElse(Moved.DONE);
    }
}
