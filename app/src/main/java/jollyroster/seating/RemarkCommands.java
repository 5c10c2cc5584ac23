package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What an organiser notes about registrations, and writes to the people on them. */
@Component
public class RemarkCommands {

    private final Writes writes;
    private final SessionCommands programme;
    private final PartyCommands parties;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    RemarkCommands(
            Writes writes,
            SessionCommands programme,
            PartyCommands parties,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.writes = writes;
        this.programme = programme;
        this.parties = parties;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** @param note at most 1,000 characters; empty takes it away */
    @Transactional
    public void note(long registration, String note, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.NOTE, note)
                .where(REGISTRATION.ID.eq(registration))
                .execute();
    }

    /** Marks registrations, or takes the marks away. */
    @Transactional
    public void mark(Collection<Long> registrations, boolean marked, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(REGISTRATION)
                .set(REGISTRATION.IS_MARKED, marked)
                .where(REGISTRATION.ID.in(registrations))
                .execute();
    }

    /**
     * Writes to the people on these registrations of a session, each in a letter of its own.
     *
     * @param body Markdown with names such as {@code {{first_name}}}, checked beforehand
     * @return those that were written to
     */
    @Transactional
    public Set<Long> write(long session, Collection<Long> registrations, String subject, String body, Actor actor) {
        actor.requireOrganiser();
        Session book = programme.session(session).orElseThrow();
        List<PartyCommands.Addressed> people = parties.addressed(book.id(), registrations);
        people.forEach(
                p -> outbox.written(Recipients.one(book, p.registration(), p.email()), subject, body, clock.instant()));
        if (!people.isEmpty()) {
            Facts what = Facts.of("people", people.size()).and("subject", subject);
            logbook.write(book.id(), actor, LogbookEntry.WROTE, what, clock.instant());
        }
        return people.stream().map(p -> p.registration().getId()).collect(Collectors.toSet());
    }

    /** A letter to many, as each of them gets it. @param due when it leaves */
    public record Mailed(long mailing, String subject, String body, Instant due) {}

    /** Queues a letter to many for people on a session; part of a write that is under way. @return how many get it */
    public int mail(long session, Collection<Long> registrations, Mailed letter, Actor actor) {
        actor.requireOrganiser();
        Session book = programme.session(session).orElseThrow();
        List<PartyCommands.Addressed> people = parties.whateverBecame(book.id(), registrations);
        people.forEach(p -> outbox.written(
                Recipients.one(book, p.registration(), p.email()),
                letter.subject(),
                letter.body(),
                letter.mailing(),
                !SeatCommands.ACTIVE.contains(p.registration().getState()),
                letter.due(),
                clock.instant()));
        if (!people.isEmpty()) {
            Facts what = Facts.of("people", people.size()).and("subject", letter.subject());
            logbook.write(book.id(), actor, LogbookEntry.WROTE, what, clock.instant());
        }
        return people.size();
    }
}
