package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.ENTRY_WORDING;

import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what entries in calendars say. What is sent from then on says it; entries that stand follow with their next change. */
@Component
public class EntryWordingCommands {

    private final Writes writes;

    EntryWordingCommands(Writes writes) {
        this.writes = writes;
    }

    /** @param words found without faults */
    @Transactional
    public void set(long offering, EntryWording words, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .insertInto(ENTRY_WORDING)
                .set(ENTRY_WORDING.OFFERING_ID, offering)
                .set(ENTRY_WORDING.TITLE, words.title())
                .set(ENTRY_WORDING.DESCRIPTION, words.description())
                .set(ENTRY_WORDING.HOST_TITLE, words.hostTitle())
                .set(ENTRY_WORDING.IS_REQUEST, words.request())
                .onDuplicateKeyUpdate()
                .set(ENTRY_WORDING.TITLE, words.title())
                .set(ENTRY_WORDING.DESCRIPTION, words.description())
                .set(ENTRY_WORDING.HOST_TITLE, words.hostTitle())
                .set(ENTRY_WORDING.IS_REQUEST, words.request())
                .execute();
    }
}
