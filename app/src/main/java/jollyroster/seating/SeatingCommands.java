package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.logbook.LogbookCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Permissions;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What only an organiser can do with seats: give more or fewer of them, and seat somebody against the rule. */
@Component
public class SeatingCommands {

    private final SessionCommands programme;
    private final PlanCommands planned;
    private final SeatCommands seats;
    private final PartyCommands parties;
    private final WaitlistCommands waitlist;
    private final PersonCommands people;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Permissions permissions;
    private final Clock clock;

    SeatingCommands(
            SessionCommands programme,
            PlanCommands planned,
            SeatCommands seats,
            PartyCommands parties,
            WaitlistCommands waitlist,
            PersonCommands people,
            Recipients recipients,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Permissions permissions,
            Clock clock) {
        this.programme = programme;
        this.planned = planned;
        this.seats = seats;
        this.parties = parties;
        this.waitlist = waitlist;
        this.people = people;
        this.recipients = recipients;
        this.outbox = outbox;
        this.logbook = logbook;
        this.permissions = permissions;
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
    public Resized resize(long session, int wanted, String why, String actor) {
        permissions.requireOrganiser();
        Instant now = clock.instant();
        Session before = waitlist.book(programme.session(session).orElseThrow());
        int taken = seats.tally(before).taken();
        if (wanted < 1 || wanted < taken && why.isBlank()) {
            return new Resized(false, taken, over(before.id(), taken - wanted));
        }
        planned.setSeats(before.id(), wanted);
        logbook.resized(before.id(), actor, before.seats(), wanted, wanted < taken ? why : "", now);
        Session after = programme.session(before.id()).orElseThrow();
        waitlist.letTheOutrunStandBack(after, now);
        waitlist.refill(after, now);
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
    public boolean restore(long registration, String actor) {
        permissions.requireOrganiser();
        Instant now = clock.instant();
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Session book = programme.session(r.getSessionId()).orElseThrow();
        boolean gone = !RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState()));
        if (!gone
                || !now.isBefore(book.end())
                || seats.active(book.id(), r.getPersonId()).isPresent()) {
            return false;
        }
        Arrival arrival = SeatRule.arrive(book.capacity(), waitlist.tallyFor(book, now), r.getParty());
        if (!(arrival instanceof Arrival.Seated seated)) {
            return false;
        }
        seats.settle(registration, RegistrationState.REGISTERED, "", now);
        logbook.restored(r, actor, now);
        outbox.answerAndRemind(Anchor.SEATED, recipients.of(book, r, people.email(r.getPersonId())), now);
        if (seated.passesOverTheLine()) {
            seats.passOverTheLine(book, r, now);
        }
        return true;
    }

    /**
     * Seats somebody who waits or is called up, whatever the rule says, and even when no seat is free.
     *
     * @param why the reason, for the logbook; must not be blank
     * @return false, with nothing changed, when the registration does not wait
     */
    @Transactional
    public boolean seatAnyway(long registration, String why, String actor) {
        permissions.requireOrganiser();
        if (why.isBlank()) {
            throw new IllegalArgumentException("Seating against the rule needs a reason");
        }
        Instant now = clock.instant();
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        boolean waits = List.of(RegistrationState.WAITLISTED.name(), RegistrationState.CALLED_UP.name())
                .contains(r.getState());
        if (!waits) {
            return false;
        }
        Session book = programme.session(r.getSessionId()).orElseThrow();
        seats.settle(registration, RegistrationState.REGISTERED, "", now);
        int over = seats.tally(book).taken() - book.capacity().open();
        logbook.seatedAnyway(r, actor, why, over, now);
        outbox.answerAndRemind(Anchor.SEATED, recipients.of(book, r, people.email(r.getPersonId())), now);
        waitlist.letTheOutrunStandBack(book, now);
        return true;
    }
}
