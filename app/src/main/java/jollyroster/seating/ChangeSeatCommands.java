package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;
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
        /** The time that was picked instead is taken, or cannot be picked any more. */
        TIME_GONE,
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
        Optional<RegistrationRecord> found = active(registration);
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
        return isTooLate(found.get(), from, actor, now)
                ? Moved.TOO_LATE
                : move(found.get(), from, target.get(), actor, now);
    }

    /** Moves a registration to a session of the same offering that is found or made in this write. */
    @Transactional
    public Moved moveTo(long registration, RegistrationCommands.Place place, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = active(registration);
        if (found.isEmpty()) {
            return Moved.NOT_POSSIBLE;
        }
        Session from = books.get(found.get().getSessionId());
        if (!now.isBefore(from.registersFor()) || isTooLate(found.get(), from, actor, now)) {
            return Moved.TOO_LATE;
        }
        OptionalLong to = place.find();
        if (to.isEmpty()) {
            return Moved.TIME_GONE;
        }
        Session target = books.get(to.getAsLong());
        boolean other = target.offering().id() == from.offering().id()
                && !target.start().equals(from.start());
        Moved came = other ? move(found.get(), from, target, actor, now) : Moved.NOT_POSSIBLE;
        place.settle(came == Moved.DONE ? OptionalLong.of(registration) : OptionalLong.empty());
        return came;
    }

    private Optional<RegistrationRecord> active(long registration) {
        return seats.byId(registration)
                .filter(r -> RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState())));
    }

    private static boolean isTooLate(RegistrationRecord r, Session from, Actor actor, Instant now) {
        return actor.kind() == Actor.Kind.PERSON && !now.isBefore(from.movesUntil(r.getSettledFor() > 0));
    }

    private Moved move(RegistrationRecord r, Session from, Session to, Actor actor, Instant now) {
        if (!to.isOpenAt(now)) {
            return Moved.NOT_OPEN;
        }
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
