package jollyroster.seating;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.MessagePlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.Recipient;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Tells the people on a session what has become of it, as part of the write that changes it. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class NoticeCommands {

    private final SeatCommands seats;
    private final PartyCommands parties;
    private final Takings takings;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    NoticeCommands(
            SeatCommands seats,
            PartyCommands parties,
            Takings takings,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.takings = takings;
        this.seats = seats;
        this.parties = parties;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** How many registrations stand on a session, seated or waiting. */
    public int standingOn(Session session) {
        return parties.everybodyOn(session.book()).size();
    }

    /** How many seats of a session are taken. */
    public int takenOn(Session session) {
        return session.seats() == 0 ? 0 : seats.tally(session).taken();
    }

    /**
     * Plans the reminders of a session anew and queues the news.
     *
     * @param before the session as it was
     * @param after the session as it is now
     * @param anchor what the news is
     * @param change the change that causes it
     * @param due when the news leaves
     * @param words the organiser's own; empty for none
     * @return how many people will be told
     */
    public int tell(Session before, Session after, Anchor anchor, long change, Instant due, String words) {
        Instant now = clock.instant();
        List<PartyCommands.Addressed> people = parties.everybodyOn(after.book());
        replan(after, people, reason(anchor));
        List<Recipient> told = people.stream()
                .map(p -> Recipients.one(after, p.registration(), p.email()))
                .toList();
        outbox.news(anchor, told, change, Recipients.was(before, words), due, now);
        settleMoney(after, people, anchor, due, now);
        return people.size();
    }

    /** Whose session is cancelled has all money back; of a date out of a series the organiser decides. */
    private void settleMoney(
            Session after, List<PartyCommands.Addressed> people, Anchor anchor, Instant leaves, Instant now) {
        if (anchor == Anchor.CALLED_OFF && after.lead() == null) {
            people.forEach(p -> takings.givenUp(p.registration().getId(), 0, true, after, leaves, now));
        }
        if (anchor == Anchor.RESTORED) {
            heldAgain(people, now);
        }
    }

    private void heldAgain(List<PartyCommands.Addressed> people, Instant now) {
        takings.heldAgain(
                people.stream()
                        .collect(Collectors.toMap(
                                p -> p.registration().getId(),
                                p -> p.registration().getParty())),
                now);
    }

    /** Puts right what hangs on a session whose change was taken back before anybody was told. */
    public void asBefore(Session after) {
        replan(after);
        if (!after.cancelled()) {
            heldAgain(parties.everybodyOn(after.book()), clock.instant());
        }
    }

    private static String reason(Anchor anchor) {
        return anchor == Anchor.CALLED_OFF ? "the session was cancelled" : "the session was changed";
    }

    /** Plans the reminders of a session anew without telling anybody. */
    public void replan(Session after) {
        replan(after, parties.everybodyOn(after.book()), "the session was changed");
    }

    /** The same after the plan of its offering has changed. @return how many people it is about */
    public int followPlan(Session session) {
        return replan(session, parties.everybodyOn(session.book()), "the plan was changed");
    }

    private int replan(Session after, List<PartyCommands.Addressed> people, String reason) {
        Instant now = clock.instant();
        outbox.withdrawRemindersOf(after.id(), reason, now);
        if (after.cancelled() || !after.start().isAfter(now)) {
            return 0;
        }
        List<Recipient> reminded = people.stream()
                .filter(p -> p.registration().getState().equals(RegistrationState.REGISTERED.name()))
                .map(p -> Recipients.one(after, p.registration(), p.email()))
                .toList();
        outbox.remind(reminded, now);
        return reminded.size();
    }

    /** Reminds somebody to pay before seats that are held are given to others, once for each time they are held. */
    @Transactional
    public void remindToPay(Session session, long registration, PlanLine line, Instant until, Actor actor) {
        actor.requireOrganiser();
        parties.addressed(session.book(), List.of(registration)).stream()
                .filter(p -> p.registration().getState().equals(RegistrationState.UNCONFIRMED.name()))
                .forEach(p -> outbox.answer(
                        Anchor.UNPAID,
                        Recipients.one(session, p.registration(), p.email()),
                        line.offset().amount() + line.offset().unit().name() + "-" + until.getEpochSecond(),
                        Facts.none(),
                        clock.instant()));
    }

    /**
     * Tells those who still wait for a session where they stand, once for each line of a plan, when its time has come for them. Not
     * whoever wants no reminders, nor whoever has just been told that they wait.
     *
     * @param use how long after its time it is still of use
     */
    @Transactional
    public void tellTheLine(Session session, PlanLine line, Duration use, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        parties.everybodyOn(session.book()).stream()
                .filter(p -> p.registration().getState().equals(RegistrationState.WAITLISTED.name()))
                .forEach(p -> {
                    Recipient to = Recipients.one(session, p.registration(), p.email());
                    Instant due = outbox.due(line, to);
                    boolean time = !due.isAfter(now) && now.isBefore(due.plus(use));
                    boolean told = p.registration().getWaitingSince().isAfter(due.minus(MessagePlan.APART));
                    if (time && !told && to.reminded()) {
                        String occasion =
                                line.offset().amount() + line.offset().unit().name();
                        outbox.answer(Anchor.STILL_WAITING, to, occasion, Facts.none(), now);
                    }
                });
    }

    /** Writes into the logbook of a session what somebody has done to it. */
    public void log(Session session, LogbookEntry entry, Facts what, Actor actor) {
        logbook.write(session.id(), actor, entry, what, clock.instant());
    }
}
