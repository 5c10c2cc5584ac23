package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.answers.Answer;
import jollyroster.answers.AnswerCommands;
import jollyroster.answers.RanOut;
import jollyroster.core.seats.Obstacle;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.Transition;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.texting.Agreement;
import jollyroster.texting.AgreementCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes what somebody registered: who comes along, the answers, the clock and whether reminders are wanted. */
@Component
public class AmendCommands {

    private final Books books;
    private final Seating seating;
    private final SeatCommands seats;
    private final SeatLog log;
    private final AnswerCommands answers;
    private final PersonCommands people;
    private final Recipients recipients;
    private final OutboxCommands outbox;
    private final AgreementCommands agreements;
    private final Clock clock;

    AmendCommands(
            Books books,
            Seating seating,
            SeatCommands seats,
            SeatLog log,
            AnswerCommands answers,
            PersonCommands people,
            Recipients recipients,
            OutboxCommands outbox,
            AgreementCommands agreements,
            Clock clock) {
        this.agreements = agreements;
        this.books = books;
        this.seating = seating;
        this.seats = seats;
        this.log = log;
        this.answers = answers;
        this.people = people;
        this.recipients = recipients;
        this.outbox = outbox;
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
        /** @param toPay whether the seats are held until those that came along are paid for */
        record Done(boolean toPay) implements Amended {}

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
     * nobody, and where seats cost something is held until the seats that came along are paid for. Somebody who waits keeps
     * the place in line, and may fit now.
     */
    @Transactional
    public Amended amend(long registration, Wish wish, Actor actor) {
        actor.requireOver(registration);
        Optional<RegistrationRecord> found = standing(registration);
        if (found.isEmpty()) {
            return new Amended.Gone();
        }
        RegistrationRecord r = found.get();
        Session book = books.get(r.getSessionId());
        Happening h = Happening.of(SeatEvent.RESIZE, book, actor, clock.instant());
        int most = book.seats() == 0
                ? 0
                : Math.min(book.offering().largestParty(), book.capacity().open());
        if (wish.party() > r.getParty() && wish.party() > most) {
            return new Amended.TooLarge(most);
        }
        Optional<RanOut> ranOut = answers.ranOut(book.id(), wish.answers(), registration);
        return ranOut.<Amended>map(gone -> new Amended.RanOut(gone.question(), gone.option()))
                .orElseGet(() -> amend(r, wish, h));
    }

    private Amended amend(RegistrationRecord r, Wish wish, Happening h) {
        Seating.Came came = seating.happen(r, wish.party(), h);
        if (came.obstacle().isPresent()) {
            return came.obstacle().get() == Obstacle.TOO_LATE ? new Amended.TooLate() : new Amended.NoSeats();
        }
        if (came.transition() instanceof Transition.Stays) {
            log.amended(r, h.actor(), h.now());
        }
        answers.replace(r.getId(), wish.asked(), wish.answers());
        seats.setCompanions(r.getId(), wish.companions(), h.now());
        boolean was = r.getState().equals(RegistrationState.REGISTERED.name());
        return new Amended.Done(was && came.state() == RegistrationState.UNCONFIRMED);
    }

    private Optional<RegistrationRecord> standing(long registration) {
        return seats.byId(registration)
                .filter(r -> RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState())));
    }

    /** Shows times on another clock; reminders that have not gone are planned anew for it. */
    @Transactional
    public void setZone(long registration, ZoneId zone, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        standing(registration).ifPresent(r -> {
            seats.setZone(registration, zone, now);
            replan(seats.byId(registration).orElseThrow(), now);
        });
    }

    /** Plans reminders, or takes back those that have not gone. */
    @Transactional
    public void setReminded(long registration, boolean wanted, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        standing(registration).filter(r -> r.getIsReminded() != wanted).ifPresent(r -> {
            seats.setReminded(registration, wanted, now);
            replan(seats.byId(registration).orElseThrow(), now);
        });
    }

    /** Plans the messages anew after texts to the person have ended, or are welcome again. */
    @Transactional
    public void followTexts(long registration, Actor actor) {
        actor.requireOver(registration);
        standing(registration).ifPresent(r -> replan(r, clock.instant()));
    }

    /** Has texts about this go to a number, or none any more. @param number E.164; empty for none */
    @Transactional
    public void setTexts(long registration, String number, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        standing(registration).ifPresent(r -> {
            if (number.isEmpty()) {
                agreements.disagree(registration);
            } else {
                agreements.agree(registration, number, Agreement.WORDS, now);
                agreements.welcome(number);
            }
            replan(r, now);
        });
    }

    private void replan(RegistrationRecord r, Instant now) {
        String why = r.getIsReminded() ? "planned anew" : "the person asked for no reminders";
        outbox.withdrawReminders(r.getId(), why, now);
        boolean seated = r.getState().equals(RegistrationState.REGISTERED.name());
        if (r.getIsReminded() && seated) {
            Session book = books.get(r.getSessionId());
            outbox.remind(recipients.of(book, r, people.email(r.getPersonId())), now);
        }
    }
}
