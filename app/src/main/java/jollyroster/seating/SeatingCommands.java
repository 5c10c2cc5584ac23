package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.platform.Actor;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What only an organiser can do with seats: give more or fewer of them, and seat somebody against the rule. */
@Component
public class SeatingCommands {

    private final Books books;
    private final PlanCommands planned;
    private final Seating seating;
    private final SeatCommands seats;
    private final PartyCommands parties;
    private final SeatLog log;
    private final Clock clock;

    SeatingCommands(
            Books books,
            PlanCommands planned,
            Seating seating,
            SeatCommands seats,
            PartyCommands parties,
            SeatLog log,
            Clock clock) {
        this.books = books;
        this.planned = planned;
        this.seating = seating;
        this.seats = seats;
        this.parties = parties;
        this.log = log;
        this.clock = clock;
    }

    /**
     * What came of a change of seats.
     *
     * @param taken seats taken
     * @param over who would be over: the last to have registered; empty when it was done
     */
    public record Resized(boolean done, int taken, List<String> over) {}

    /**
     * Changes the number of seats of a session. More seats go to the waitlist at once. Fewer than are taken is refused,
     * unless a reason is given; then the session is over-full, and the logbook says by whom.
     *
     * @param wanted one or more
     * @param why the reason to be over-full; empty for none
     */
    @Transactional
    public Resized resize(long session, int wanted, String why, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        Session before = books.get(session);
        int taken = seats.tally(before).taken();
        if (wanted < 1 || wanted < taken && why.isBlank()) {
            return new Resized(false, taken, over(before.id(), taken - wanted));
        }
        if (wanted == before.seats() && wanted >= taken) {
            return new Resized(true, taken, List.of());
        }
        planned.setSeats(before.id(), wanted, actor);
        log.resized(before, wanted, wanted < taken ? why : "", actor, now);
        seating.settle(books.get(before.id()), now);
        return new Resized(true, taken, List.of());
    }

    private List<String> over(long session, int seatsTooMany) {
        List<String> names = new ArrayList<>();
        int left = seatsTooMany;
        for (RegistrationRecord last : parties.lastSeated(session)) {
            if (left <= 0) {
                break;
            }
            names.add(last.getName());
            left -= last.getParty();
        }
        return names;
    }

    /**
     * Takes a giving back, a declining or a running out back. The seat rule decides as for a newcomer, but nobody joins the
     * line again this way.
     *
     * @return false, with nothing changed, when no seats are free for the party, or the person is on it again
     */
    @Transactional
    public boolean restore(long registration, Actor actor) {
        actor.requireOrganiser();
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Session book = books.get(r.getSessionId());
        return seats.active(book.id(), r.getPersonId()).isEmpty()
                && seating.happen(r, Happening.of(SeatEvent.RESTORE, book, actor, clock.instant()))
                        .done();
    }

    /**
     * Seats somebody who waits or is called up, whatever the rule says, and even when no seat is free.
     *
     * @param why the reason, for the logbook; must not be blank
     * @return false, with nothing changed, when the registration does not wait
     */
    @Transactional
    public boolean seatAnyway(long registration, String why, Actor actor) {
        actor.requireOrganiser();
        if (why.isBlank()) {
            throw new IllegalArgumentException("Seating against the rule needs a reason");
        }
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Session book = books.get(r.getSessionId());
        Happening h =
                Happening.of(SeatEvent.OVERRIDE, book, actor, clock.instant()).because(why);
        return seating.happen(r, h.with("over", overBy(r, book))).done();
    }

    /** How many seats there are too few once this party has its own. */
    private int overBy(RegistrationRecord r, Session book) {
        boolean holds = r.getState().equals(RegistrationState.CALLED_UP.name()) && !r.getIsRacing();
        return seats.tally(book).taken() + (holds ? 0 : r.getParty()) - (book.seats() - book.keptBack());
    }
}
