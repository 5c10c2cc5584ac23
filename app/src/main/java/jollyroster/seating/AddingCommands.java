package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.answers.AnswerCommands;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Arrival;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SeatTally;
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

/** Puts people on a session by hand or from a file. The hours of registration and the invited-only rule do not hold here. */
@Component
public class AddingCommands {

    private final SessionCommands programme;
    private final PlanCommands planned;
    private final SeatCommands seats;
    private final WaitlistCommands waitlist;
    private final PersonCommands people;
    private final AnswerCommands answers;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Permissions permissions;
    private final Clock clock;

    AddingCommands(
            SessionCommands programme,
            PlanCommands planned,
            SeatCommands seats,
            WaitlistCommands waitlist,
            PersonCommands people,
            AnswerCommands answers,
            Recipients recipients,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Permissions permissions,
            Clock clock) {
        this.programme = programme;
        this.planned = planned;
        this.seats = seats;
        this.waitlist = waitlist;
        this.people = people;
        this.answers = answers;
        this.recipients = recipients;
        this.outbox = outbox;
        this.logbook = logbook;
        this.permissions = permissions;
        this.clock = clock;
    }

    /**
     * How somebody is added.
     *
     * @param walkUp whether kept-back seats may be used
     * @param tell whether they are written to, and reminded
     */
    public record Manner(boolean walkUp, boolean tell) {}

    /** What came of it, or would come of it. */
    public enum Added {
        SEATED,
        WAITLISTED,
        /** The address is on this session already. */
        ALREADY,
        /** Neither a seat nor a place in the line. */
        FULL
    }

    /** Adds one person. @return what came of it; unless seated or waitlisted, nothing was changed */
    @Transactional
    public Added add(Application asked, Manner manner, String actor) {
        permissions.requireOrganiser();
        Session book = waitlist.book(programme.session(asked.session()).orElseThrow());
        return add(asked.on(book.id()), book, manner, actor, clock.instant());
    }

    /**
     * Adds all of them, or nobody.
     *
     * @return what came of each, in order; when any is {@link Added#FULL} nobody was added
     */
    @Transactional
    public List<Added> addAll(List<Application> asked, Manner manner, String actor) {
        permissions.requireOrganiser();
        List<Added> added = new ArrayList<>();
        for (Application one : asked) {
            Session book = waitlist.book(programme.session(one.session()).orElseThrow());
            added.add(add(one.on(book.id()), book, manner, actor, clock.instant()));
        }
        if (added.contains(Added.FULL)) {
            throw new NotAll(added);
        }
        return added;
    }

    /** Somebody could not be added, so nobody was. */
    public static final class NotAll extends RuntimeException {
        private final transient List<Added> would;

        NotAll(List<Added> would) {
            super("Not everybody can be added");
            this.would = List.copyOf(would);
        }

        /** What would have come of each, in order. */
        public List<Added> would() {
            return would;
        }
    }

    private Added add(Application asked, Session book, Manner manner, String actor, Instant now) {
        Optional<Long> known = people.find(asked.email());
        if (known.flatMap(person -> seats.active(book.id(), person)).isPresent()) {
            return Added.ALREADY;
        }
        Session roomy = manner.walkUp() ? withKeptBackSeats(book, asked.party()) : book;
        Arrival arrival = arrival(roomy, asked.party(), now);
        if (arrival instanceof Arrival.Refused) {
            return Added.FULL;
        }
        boolean seated = arrival instanceof Arrival.Seated;
        long person = known.orElseGet(() -> people.add(asked.newcomer(), now));
        RegistrationRecord r = seats.add(
                asked, person, seated ? RegistrationState.REGISTERED : RegistrationState.WAITLISTED, null, now);
        answers.keep(r.getId(), asked.answers());
        logbook.added(r, actor, seated, manner.walkUp() && roomy.keptBack() < book.keptBack(), now);
        if (manner.tell()) {
            tell(seated, roomy, r, asked.email(), now);
        } else {
            seats.setReminded(r.getId(), false, now);
        }
        if (arrival instanceof Arrival.Seated given && given.passesOverTheLine()) {
            seats.passOverTheLine(roomy, r, now);
        }
        return seated ? Added.SEATED : Added.WAITLISTED;
    }

    private Arrival arrival(Session book, int party, Instant now) {
        return book.seats() == 0
                ? new Arrival.Refused(Arrival.Refusal.LARGER_THAN_SESSION)
                : SeatRule.arrive(book.capacity(), waitlist.tallyFor(book, now), party);
    }

    /** A walk-up that does not fit into the open seats takes kept-back ones, as many as are missing. */
    private Session withKeptBackSeats(Session book, int party) {
        SeatTally tally = seats.tally(book);
        int missing = party - book.capacity().free(tally.taken());
        boolean helps = missing > 0 && missing <= book.keptBack();
        if (!helps || tally.taken() + party > book.seats()) {
            return book;
        }
        planned.setKeptBack(book.id(), book.keptBack() - missing);
        return programme.session(book.id()).orElseThrow();
    }

    private void tell(boolean seated, Session book, RegistrationRecord r, String email, Instant now) {
        if (seated) {
            outbox.answerAndRemind(Anchor.REGISTERED, recipients.of(book, r, email), now);
        } else {
            outbox.answer(Anchor.WAITLISTED, Recipients.one(book, r, email), now);
        }
    }
}
