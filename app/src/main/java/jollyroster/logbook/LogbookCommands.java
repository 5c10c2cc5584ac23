package jollyroster.logbook;

import static jollyroster.platform.tables.Tables.LOGBOOK;

import java.time.Instant;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.KeptInsert;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.LogbookRecord;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Writes the logbook, as part of a write that is under way: who did what, and why the program decided what it did. */
@Component
public class LogbookCommands {

    private final Writes writes;
    private final KeptInsert<LogbookRecord> insert;

    LogbookCommands(Writes writes) {
        this.writes = writes;
        this.insert = writes.keepInsert(LOGBOOK, insert -> insert);
    }

    /** About a session as a whole. */
    public void write(long session, Actor actor, LogbookEntry entry, Facts facts, Instant now) {
        add(session, null, actor, entry, facts, now);
    }

    /** About a registration on a session. */
    public void write(long session, long registration, Actor actor, LogbookEntry entry, Facts facts, Instant now) {
        add(session, registration, actor, entry, facts, now);
    }

    /** One of several entries that are written together. */
    public record Line(long registration, Facts facts) {}

    /** The same entry about several registrations on a session. */
    public void writeAll(long session, Actor actor, LogbookEntry entry, List<Line> lines, Instant now) {
        lines.forEach(line -> add(session, line.registration(), actor, entry, line.facts(), now));
    }

    /** How many entries of a kind there are about a registration since a time; for rules that limit what is done often. */
    public int count(long registration, LogbookEntry entry, Instant since) {
        return writes.sql()
                .fetchCount(DSL.selectOne()
                        .from(LOGBOOK)
                        .where(LOGBOOK.REGISTRATION_ID.eq(registration))
                        .and(LOGBOOK.ENTRY.eq(entry.name()))
                        .and(LOGBOOK.WRITTEN_AT.ge(since)));
    }

    private void add(
            long session, @Nullable Long registration, Actor actor, LogbookEntry entry, Facts facts, Instant now) {
        LogbookRecord row = new LogbookRecord();
        row.setWrittenAt(now);
        row.setActor(actor.name());
        row.setActorKind(actor.kind().name());
        row.setSessionId(session);
        row.setRegistrationId(registration);
        row.setEntry(entry.name());
        row.setDetail("");
        row.setFacts(facts.json());
        insert.run(row);
    }
}
