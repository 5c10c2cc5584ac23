package jollyroster.live;

import static jollyroster.platform.tables.Tables.MATERIAL;
import static jollyroster.platform.tables.Tables.MATERIAL_FILE;
import static org.jooq.impl.DSL.sum;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.Objects;
import jollyroster.core.door.MaterialOpens;
import jollyroster.door.DoorKeepers;
import jollyroster.platform.Actor;
import jollyroster.platform.SafeFile;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is laid out for a session: links, and files kept here. */
@Component
class MaterialCommands {

    static final int MOST = 50;

    /** In bytes. */
    static final int LARGEST = 5_000_000;

    /** In bytes, of all files of a session. */
    static final int LARGEST_TOGETHER = 50_000_000;

    private final DoorKeepers keepers;
    private final Writes writes;
    private final Clock clock;

    MaterialCommands(DoorKeepers keepers, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.writes = writes;
        this.clock = clock;
    }

    /** @return whether there was room for one more */
    @Transactional
    public boolean addLink(long session, String title, String address, MaterialOpens opens, Actor actor) {
        keepers.session(session, actor, clock.instant());
        return hasRoom(session, 0) && insert(session, title, address, opens, 0) != 0;
    }

    /** @return whether there was room for it */
    @Transactional
    public boolean addFile(long session, String title, SafeFile file, MaterialOpens opens, Actor actor) {
        keepers.session(session, actor, clock.instant());
        if (!hasRoom(session, file.content().length)) {
            return false;
        }
        writes.sql()
                .insertInto(MATERIAL_FILE)
                .set(MATERIAL_FILE.MATERIAL_ID, insert(session, title, "", opens, file.content().length))
                .set(MATERIAL_FILE.NAME, file.name())
                .set(MATERIAL_FILE.TYPE, file.type())
                .set(MATERIAL_FILE.CONTENT, file.content())
                .execute();
        return true;
    }

    private boolean hasRoom(long session, int more) {
        BigDecimal kept = writes.sql()
                .select(sum(MATERIAL.SIZE))
                .from(MATERIAL)
                .where(MATERIAL.SESSION_ID.eq(session))
                .fetchOne(sum(MATERIAL.SIZE));
        return writes.sql().fetchCount(MATERIAL, MATERIAL.SESSION_ID.eq(session)) < MOST
                && Objects.requireNonNullElse(kept, BigDecimal.ZERO).intValue() + more <= LARGEST_TOGETHER;
    }

    private long insert(long session, String title, String address, MaterialOpens opens, int size) {
        Long id = writes.sql()
                .insertInto(MATERIAL)
                .set(MATERIAL.SESSION_ID, session)
                .set(MATERIAL.TITLE, title)
                .set(MATERIAL.ADDRESS, address)
                .set(MATERIAL.OPENS, opens.name())
                .set(MATERIAL.SIZE, size)
                .returningResult(MATERIAL.ID)
                .fetchOne(MATERIAL.ID);
        return id;
    }

    @Transactional
    public void remove(long session, long material, Actor actor) {
        keepers.session(session, actor, clock.instant());
        writes.sql()
                .deleteFrom(MATERIAL)
                .where(MATERIAL.ID.eq(material))
                .and(MATERIAL.SESSION_ID.eq(session))
                .execute();
    }
}
