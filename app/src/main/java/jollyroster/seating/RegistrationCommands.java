package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.answers.AnswerCommands;
import jollyroster.answers.RanOut;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.Obstacle;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.Transition;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.GroupCommit;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import org.springframework.stereotype.Component;

/**
 * Takes what people ask for: seats, or an answer to an invitation. Each call is one write: the seat decision, its logbook
 * entries and the messages it causes are kept together or not at all. People who come in the same moment share a commit.
 */
@Component
public class RegistrationCommands {

    private final GroupCommit together;
    private final Books books;
    private final Seating seating;
    private final SeatCommands seats;
    private final PersonCommands people;
    private final AnswerCommands answers;
    private final Invitations invitations;
    private final OutboxCommands outbox;
    private final Clock clock;

    RegistrationCommands(
            GroupCommit together,
            Books books,
            Seating seating,
            SeatCommands seats,
            PersonCommands people,
            AnswerCommands answers,
            Invitations invitations,
            OutboxCommands outbox,
            Clock clock) {
        this.together = together;
        this.books = books;
        this.seating = seating;
        this.seats = seats;
        this.people = people;
        this.answers = answers;
        this.invitations = invitations;
        this.outbox = outbox;
        this.clock = clock;
    }

    /** Where somebody wants seats: a session that is found, or made. Its calls are part of the write. */
    public interface Place {

        /** Empty when there is none to be had. */
        OptionalLong find();

        /** Whether somebody comes by a link that was given to them, as an invitee does. */
        boolean isVouchedFor();

        /** What is to be kept of what was found or made. @param registration that has it now; empty when nobody has */
        void settle(OptionalLong registration);
    }

    /** Gives the party its seats, puts it on the waitlist, or says why neither. */
    public Registering register(Application asked, Actor actor) {
        return register(asked, Optional.empty(), actor);
    }

    /** The same for somebody who comes with an invitation. */
    public Registering register(Application asked, Optional<Link> invitation, Actor actor) {
        return together.run(() -> take(asked, SeatEvent.REGISTER, invitation, false, actor));
    }

    /**
     * Gives somebody the seats of a session that is found or made in the same write, such as a time picked in open hours. Sent
     * a second time, the same form finds what it made the first time.
     */
    public Registering registerAt(Place place, Application asked, Optional<Link> invitation, Actor actor) {
        return together.run(() -> {
            Optional<RegistrationRecord> sentBefore = seats.bySubmission(asked.submission());
            if (sentBefore.isPresent()) {
                return done(sentBefore.get(), true, false);
            }
            OptionalLong session = place.find();
            if (session.isEmpty()) {
                return new Registering.Refused(Registering.Reason.TIME_GONE);
            }
            Registering came =
                    take(asked.on(session.getAsLong()), SeatEvent.REGISTER, invitation, place.isVouchedFor(), actor);
            place.settle(
                    came instanceof Registering.Done done
                            ? OptionalLong.of(done.link().id())
                            : OptionalLong.empty());
            return came;
        });
    }

    /**
     * Takes an answer to an invitation, also in the place of an earlier one by the same address: only the link of whoever is
     * invited may change that.
     *
     * @param answer one of the three events that are answers
     * @param invitation of the invitee who answers; empty for somebody who came by the public page
     */
    public Registering answer(Application asked, SeatEvent answer, Optional<Link> invitation, Actor actor) {
        return together.run(() -> take(asked, answer, invitation, false, actor));
    }

    private Registering take(
            Application asked, SeatEvent event, Optional<Link> invitation, boolean vouchedFor, Actor actor) {
        Instant now = clock.instant();
        Optional<Session> book = books.find(asked.session());
        if (book.isEmpty()) {
            return new Registering.Refused(Registering.Reason.NO_SUCH_SESSION);
        }
        boolean invited = speaksFor(invitation, asked, book.get());
        Optional<RegistrationRecord> sentBefore = seats.bySubmission(asked.submission());
        if (sentBefore.isPresent()) {
            return done(sentBefore.get(), true, invited);
        }
        Optional<Registering.Reason> refusal = refusal(book.get(), asked, invited || vouchedFor, actor, now);
        return refusal.<Registering>map(Registering.Refused::new)
                .orElseGet(() -> put(
                        asked.on(book.get().id()),
                        invited,
                        Happening.of(event, book.get(), actor, now).proven(invited)));
    }

    /** An invitation speaks for one invitee of one offering. */
    private boolean speaksFor(Optional<Link> invitation, Application asked, Session book) {
        return invitation
                .flatMap(invitations::of)
                .filter(i -> i.offering() == book.offering().id())
                .filter(i -> i.email().equals(asked.email()))
                .isPresent();
    }

    private static Optional<Registering.Reason> refusal(
            Session book, Application asked, boolean invited, Actor actor, Instant now) {
        if (!now.isBefore(book.registersFor())) {
            return Optional.of(Registering.Reason.ALREADY_STARTED);
        }
        if (!book.isOpenAt(now)) {
            return Optional.of(Registering.Reason.NOT_OPEN);
        }
        boolean forInvited = book.offering().rules().visibility() == Visibility.INVITED;
        if (forInvited && !invited && !actor.isOrganiser()) {
            return Optional.of(Registering.Reason.INVITED_ONLY);
        }
        return asked.party() > book.offering().largestParty()
                ? Optional.of(Registering.Reason.PARTY_TOO_LARGE)
                : Optional.empty();
    }

    private Registering put(Application asked, boolean invited, Happening h) {
        Optional<Long> known = people.find(asked.email());
        Optional<RegistrationRecord> before = known.flatMap(person -> before(h, person));
        if (before.isPresent() && !(invited && isAnswer(h.event()))) {
            return already(before.get(), asked, h);
        }
        long own = before.map(RegistrationRecord::getId).orElse(0L);
        Optional<RanOut> ranOut = answers.ranOut(h.book().id(), asked.answers(), own);
        if (ranOut.isPresent()) {
            return new Registering.OptionGone(ranOut.get());
        }
        return before.isPresent() ? change(before.get(), asked, h) : add(asked, known, h);
    }

    /** The letter says how things stand; whoever asked hears what a newcomer would. */
    private Registering already(RegistrationRecord before, Application asked, Happening h) {
        Session held = books.get(before.getSessionId());
        outbox.answer(Anchor.LINK_AGAIN, Recipients.one(held, before, asked.email()), h.now());
        Optional<RanOut> ranOut = answers.ranOut(h.book().id(), asked.answers(), 0);
        return ranOut.<Registering>map(Registering.OptionGone::new).orElseGet(() -> {
            Transition asNewcomer = seating.foresee(asked, h);
            return asNewcomer instanceof Transition.Refused refused
                    ? new Registering.Refused(reason(refused.because()))
                    : new Registering.Already(((Transition.Becomes) asNewcomer).state());
        });
    }

    private static boolean isAnswer(SeatEvent event) {
        return event != SeatEvent.REGISTER;
    }

    /** Where the person stands already; of somebody who answers also what they had declined. */
    private Optional<RegistrationRecord> before(Happening h, long person) {
        if (isAnswer(h.event())) {
            return seats.latest(h.book().id(), person);
        }
        List<Long> exclusive = books.exclusive(h.book(), h.now());
        int each = books.each(h.book());
        boolean more = each > 1 && seats.countActiveOn(exclusive, person) < each;
        return seats.activeOn(more ? List.of(h.book().id()) : exclusive, person);
    }

    private Registering add(Application asked, Optional<Long> known, Happening h) {
        Seating.Came came = seating.admit(asked, () -> known.orElseGet(() -> people.add(asked.newcomer(), h.now())), h);
        came.row().ifPresent(row -> answers.keep(row.getId(), asked.answers()));
        return registering(came, h.proven());
    }

    /** Changes the answer of somebody who is invited, with all they said before; a no leaves that as it was. */
    private Registering change(RegistrationRecord before, Application asked, Happening h) {
        boolean comes = h.event() != SeatEvent.ANSWER_NO;
        Seating.Came came = seating.happen(before, comes ? asked.party() : 0, h);
        if (came.done() && comes) {
            answers.replaceAll(before.getId(), asked.answers());
            seats.setCompanions(before.getId(), asked.companions(), h.now());
        }
        return registering(came, h.proven());
    }

    /**
     * Changes the answer of a registration, as its own page or a calendar program asks. Only where people answer rather than
     * register.
     *
     * @param answer one of the three events that are answers
     */
    public Registering change(long registration, SeatEvent answer, Actor actor) {
        actor.requireOver(registration);
        return together.run(() -> {
            Optional<RegistrationRecord> found = seats.byId(registration);
            if (found.isEmpty()) {
                return new Registering.Refused(Registering.Reason.NO_SUCH_SESSION);
            }
            Session book = books.get(found.get().getSessionId());
            return book.offering().signUp().rsvp()
                    ? registering(seating.happen(found.get(), Happening.of(answer, book, actor, clock.instant())), true)
                    : new Registering.Refused(Registering.Reason.NOT_POSSIBLE);
        });
    }

    private static Registering registering(Seating.Came came, boolean proven) {
        return came.obstacle()
                .<Registering>map(obstacle -> new Registering.Refused(reason(obstacle)))
                .orElseGet(() -> done(came.row().orElseThrow(), came.transition() instanceof Transition.Stays, proven));
    }

    private static Registering.Reason reason(Obstacle obstacle) {
        return switch (obstacle) {
            case LARGER_THAN_SESSION -> Registering.Reason.LARGER_THAN_SESSION;
            case FULL, NO_SEATS, OUTRUN -> Registering.Reason.FULL;
            case WAITLIST_FULL -> Registering.Reason.WAITLIST_FULL;
            case TOO_LATE -> Registering.Reason.NOT_OPEN;
            case ENDED_BY_TEAM -> Registering.Reason.ENDED_BY_TEAM;
            case NOT_POSSIBLE, NOTHING_OFFERED, TO_PAY -> Registering.Reason.NOT_POSSIBLE;
        };
    }

    private static Registering.Done done(RegistrationRecord r, boolean again, boolean proven) {
        return new Registering.Done(
                new Link(r.getId(), r.getGeneration()), RegistrationState.valueOf(r.getState()), again, proven);
    }
}
