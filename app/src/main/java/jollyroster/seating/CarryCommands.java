package jollyroster.seating;

import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.time.Instant;
import java.util.List;
import jollyroster.core.intake.Contact;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.AddressingCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.Belongings;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.springframework.stereotype.Component;

/** Gives the registrations of one person to another who is the same, and puts right what stands on them. */
@Component
class CarryCommands implements Belongings {

    private final Writes writes;
    private final Books books;
    private final LogbookCommands logbook;
    private final OutboxCommands outbox;
    private final AddressingCommands addressing;

    CarryCommands(
            Writes writes, Books books, LogbookCommands logbook, OutboxCommands outbox, AddressingCommands addressing) {
        this.books = books;
        this.outbox = outbox;
        this.addressing = addressing;
        this.writes = writes;
        this.logbook = logbook;
    }

    @Override
    public boolean carryOver(long from, long into, Actor actor, Instant now) {
        List<RegistrationRecord> carried = writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(from))
                .fetch();
        try {
            writes.sql()
                    .update(REGISTRATION)
                    .set(REGISTRATION.PERSON_ID, into)
                    .where(REGISTRATION.PERSON_ID.eq(from))
                    .execute();
        } catch (IntegrityConstraintViolationException twiceOnOneSession) {
            return false;
        }
        carried.forEach(r -> logbook.write(r.getSessionId(), r.getId(), actor, LogbookEntry.MERGED, Facts.none(), now));
        return true;
    }

    @Override
    public void correct(Correction correction, Actor actor, Instant now) {
        List<RegistrationRecord> all = writes.sql()
                .selectFrom(REGISTRATION)
                .where(REGISTRATION.PERSON_ID.eq(correction.person()))
                .fetch();
        all.forEach(r -> correct(r, correction, actor, now));
        if (correction.readdresses()) {
            addressing.readdress(all.stream().map(RegistrationRecord::getId).toList(), correction.email());
            all.stream().filter(r -> isToCome(r, now)).forEach(r -> sendLinks(r, correction.email(), now));
        }
    }

    /** Other names the same person has registered under stay. */
    private void correct(RegistrationRecord r, Correction correction, Actor actor, Instant now) {
        if (correction.renames() && Contact.folded(r.getName()).equals(Contact.folded(correction.nameBefore()))) {
            r.setName(correction.name());
        }
        if (correction.readdresses()) {
            r.setGeneration(r.getGeneration() + 1);
        }
        r.setSequence(r.getSequence() + 1);
        r.setChangedAt(now);
        r.store();
        Facts what = Facts.of("name", correction.renames()).and("email", correction.readdresses());
        logbook.write(r.getSessionId(), r.getId(), actor, LogbookEntry.CORRECTED, what, now);
    }

    private boolean isToCome(RegistrationRecord r, Instant now) {
        return RegistrationState.ACTIVE.contains(RegistrationState.valueOf(r.getState()))
                && !books.isOver(books.get(r.getSessionId()), now);
    }

    /** The old links are dead; the new address gets new ones, with the entry for the calendar. */
    private void sendLinks(RegistrationRecord r, String email, Instant now) {
        Session book = books.get(r.getSessionId());
        String occasion = "address-" + now.toEpochMilli();
        outbox.answer(Anchor.LINK_AGAIN, Recipients.one(book, r, email), occasion, Facts.none(), now);
    }
}
