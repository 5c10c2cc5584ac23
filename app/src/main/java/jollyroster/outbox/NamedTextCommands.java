package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.NAMED_TEXT;

import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps texts that are used by name. */
@Component
public class NamedTextCommands {

    private final Writes writes;

    NamedTextCommands(Writes writes) {
        this.writes = writes;
    }

    /** Sets a text; what has not gone yet is written with it. */
    @Transactional
    public void set(long host, String name, String body, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .insertInto(NAMED_TEXT)
                .set(NAMED_TEXT.ACCOUNT_ID, host)
                .set(NAMED_TEXT.NAME, name)
                .set(NAMED_TEXT.BODY, body)
                .onDuplicateKeyUpdate()
                .set(NAMED_TEXT.BODY, body)
                .execute();
    }

    /** Removes a text that no words use. */
    @Transactional
    public void remove(long text, Actor actor) {
        actor.requireOrganiser();
        writes.sql().deleteFrom(NAMED_TEXT).where(NAMED_TEXT.ID.eq(text)).execute();
    }
}
