package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.answers.Answer;
import jollyroster.answers.AnswerCommands;
import jollyroster.answers.RanOut;
import jollyroster.core.seats.Arrival;
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

/** Changes what somebody registered: who comes along, the answers, the clock and whether reminders are wanted. */
@Component
public class AmendCommands {

    private final SessionCommands programme;
    private final SeatCommands seats;
    private final WaitlistCommands waitlist;
    private final AnswerCommands answers;
    private final PersonCommands people;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    AmendCommands(
            SessionCommands programme,
            SeatCommands seats,
            WaitlistCommands waitlist,
            AnswerCommands answers,
            PersonCommands people,
            Recipients recipients,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.programme = programme;
        this.seats = seats;
        this.waitlist = waitlist;
        this.answers = answers;
        this.people = people;
        this.recipients = recipients;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * What a registration is to be.
     *
     * @param party people in all
     * @param companions their names, as far as they are known
     * @param asked the questions that were asked; answers to others stay
     * @param answers accepted answers
     */
    public record Wish(int party, List<String> companions, List<Long> asked, List<Answer> answers) {}

    /** What came of it; unless it is {@link Done}, nothing was changed. */
    public sealed interface Amended {
        record Done() implements Amended {}

        /** The registration no longer stands. */
        record Gone() implements Amended {}

        /** Changes are no longer allowed. */
        record TooLate() implements Amended {}

        /** Too few seats are free for a larger party, or they are owed to others. */
        record NoSeats() implements Amended {}

        record TooLarge(int most) implements Amended {}

        /** Too few are left of an option. */
        record RanOut(long question, String option) implements Amended {}
    }

    /**
     * Changes a registration in one write. A smaller party frees seats; a larger one needs free seats that are owed to
     * nobody. Somebody who waits keeps the place in line, and may fit now.
     *
     * @param actor who did it, for the logbook
     */
    @Transactional
    public Amended amend(long registration, Wish wish, String actor) {
        Instant now = clock.instant();
        Optional<RegistrationRecord> found = standing(registration);
        if (found.isEmpty()) {
            return new Amended.Gone();
        }
        RegistrationRecord r = found.get();
        Session book = programme.session(r.getSessionId()).orElseThrow();
        if (!now.isBefore(book.changesUntil())) {
            return new Amended.TooLate();
        }
        Optional<RanOut> ranOut = answers.ranOut(book.id(), wish.answers(), registration);
        if (ranOut.isPresent()) {
            return new Amended.RanOut(ranOut.get().question(), ranOut.get().option());
        }
        Optional<Amended> obstacle = resize(r, book, wish.party(), actor, now);
        if (obstacle.isPresent()) {
            return obstacle.get();
        }
        answers.replace(registration, wish.asked(), wish.answers());
        seats.setCompanions(registration, wish.companions(), now);
        logbook.amended(r, actor, wish.party(), now);
        waitlist.refill(book, now);
        return new Amended.Done();
    }

    private Optional<RegistrationRecord> standing(long registration) {
        return seats.byId(registration)
                .filter(r -> RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState())));
    }

    /** Changes the number of people, or says why not. */
    private Optional<Amended> resize(RegistrationRecord r, Session book, int party, String actor, Instant now) {
        int more = party - r.getParty();
        if (more == 0) {
            return Optional.empty();
        }
        int most = Math.min(book.offering().largestParty(), book.capacity().open());
        if (more > 0 && party > most) {
            return Optional.of(new Amended.TooLarge(most));
        }
        RegistrationState state = RegistrationState.valueOf(r.getState());
        if (more > 0 && state == RegistrationState.CALLED_UP) {
            return Optional.of(new Amended.NoSeats());
        }
        if (more > 0 && state.takesSeats() && !hasRoom(book, more, now)) {
            return Optional.of(new Amended.NoSeats());
        }
        seats.setParty(r.getId(), party, now);
        if (more < 0) {
            answers.dropCompanionsFrom(r.getId(), party);
        }
        logbook.resizedParty(r, actor, party, now);
        return Optional.empty();
    }

    /** Seats for more companions come from what is free once everybody who waits has been thought of. */
    private boolean hasRoom(Session book, int more, Instant now) {
        SeatTally tally = waitlist.tallyFor(book, now);
        boolean nobodyWaits = tally.waiting() == 0 || tally.owed() == 0;
        return nobodyWaits
                && SeatRule.arrive(book.capacity(), tally, more) instanceof Arrival.Seated seated
                && !seated.passesOverTheLine();
    }

    /** Shows times on another clock; reminders that have not gone are planned anew for it. */
    @Transactional
    public void setZone(long registration, ZoneId zone) {
        Instant now = clock.instant();
        standing(registration).ifPresent(r -> {
            seats.setZone(registration, zone, now);
            replan(seats.byId(registration).orElseThrow(), now);
        });
    }

    /** Plans reminders, or takes back those that have not gone. */
    @Transactional
    public void setReminded(long registration, boolean wanted) {
        Instant now = clock.instant();
        standing(registration).filter(r -> r.getIsReminded() != wanted).ifPresent(r -> {
            seats.setReminded(registration, wanted, now);
            replan(seats.byId(registration).orElseThrow(), now);
        });
    }

    private void replan(RegistrationRecord r, Instant now) {
        String why = r.getIsReminded() ? "planned anew" : "the person asked for no reminders";
        outbox.withdrawReminders(r.getId(), why, now);
        boolean seated = r.getState().equals(RegistrationState.REGISTERED.name());
        if (r.getIsReminded() && seated) {
            Session book = programme.session(r.getSessionId()).orElseThrow();
            outbox.remind(recipients.of(book, r, people.email(r.getPersonId())), now);
        }
    }
}
