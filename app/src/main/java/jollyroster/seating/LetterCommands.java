package jollyroster.seating;

import java.time.Clock;
import jollyroster.core.messages.Anchor;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.Recipient;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes to one person on a session, and into the logbook about them, as part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class LetterCommands {

    private final SeatCommands seats;
    private final Books books;
    private final PersonCommands people;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    LetterCommands(
            SeatCommands seats,
            Books books,
            PersonCommands people,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.seats = seats;
        this.books = books;
        this.people = people;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Somebody on a session. @param session where the registration is */
    public record Named(long session, String name, String email) {}

    public Named named(long registration) {
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        return new Named(r.getSessionId(), r.getName(), people.email(r.getPersonId()));
    }

    /**
     * Queues a letter, due at once.
     *
     * @param occasion the same for the same letter, which then goes once
     * @param given what its template may name besides how things stand
     */
    public void write(long registration, Anchor anchor, String occasion, Facts given) {
        RegistrationRecord r = seats.byId(registration).orElseThrow();
        Recipient to = Recipients.one(books.get(r.getSessionId()), r, people.email(r.getPersonId()));
        outbox.answer(anchor, to, occasion, given, clock.instant());
    }

    /** Writes into the logbook what was decided about a registration. */
    public void log(long registration, LogbookEntry entry, Facts what, Actor actor) {
        long session = seats.byId(registration).orElseThrow().getSessionId();
        logbook.write(session, registration, actor, entry, what, clock.instant());
    }
}
