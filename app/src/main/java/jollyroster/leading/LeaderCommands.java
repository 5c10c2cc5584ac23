package jollyroster.leading;

import static jollyroster.platform.tables.Tables.LEADER;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.DoorKeepers;
import jollyroster.leading.Leader.Part;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Gives those who lead a session their links, and the codes that make them good. */
@Component
public class LeaderCommands {

    static final Duration CODE_LASTS = Duration.ofMinutes(10);

    /** More than stand on any stage. */
    static final int MOST = 30;

    private static final Duration AT_MOST_EVERY = Duration.ofMinutes(1);
    private final DoorKeepers keepers;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final PersonalLinks links;
    private final Writes writes;
    private final Clock clock;

    LeaderCommands(
            DoorKeepers keepers,
            OutboxCommands outbox,
            LogbookCommands logbook,
            PersonalLinks links,
            Writes writes,
            Clock clock) {
        this.keepers = keepers;
        this.outbox = outbox;
        this.logbook = logbook;
        this.links = links;
        this.writes = writes;
        this.clock = clock;
    }

    /** Somebody who is to lead. @param account 0 for somebody from outside */
    public record Named(long account, Part part, String name, String email) {}

    /** @return whether there is such a link now; not where the address has one already, or too many lead */
    @Transactional
    public boolean add(long session, Named who, Actor actor) {
        Instant now = clock.instant();
        keepers.session(session, actor, now);
        if (writes.sql().fetchCount(LEADER, LEADER.SESSION_ID.eq(session)) >= MOST) {
            return false;
        }
        int added = writes.sql()
                .insertInto(LEADER)
                .set(LEADER.SESSION_ID, session)
                .set(LEADER.ACCOUNT_ID, who.account() == 0 ? null : (Long) who.account())
                .set(LEADER.ROLE, who.part().name())
                .set(LEADER.NAME, who.name())
                .set(LEADER.EMAIL, who.email())
                .set(LEADER.GENERATION, PersonalLinks.firstGeneration(now))
                .onConflictDoNothing()
                .execute();
        if (added == 1) {
            note(session, who.name(), "added", actor, now);
        }
        return added == 1;
    }

    /** The link before is dead at once. */
    @Transactional
    public void renew(long session, long leader, Actor actor) {
        Instant now = clock.instant();
        keepers.session(session, actor, now);
        writes.sql()
                .update(LEADER)
                .set(LEADER.GENERATION, LEADER.GENERATION.plus(1))
                .setNull(LEADER.CODE_UNTIL)
                .where(LEADER.ID.eq(leader))
                .and(LEADER.SESSION_ID.eq(session))
                .returningResult(LEADER.NAME)
                .fetchOptional(LEADER.NAME)
                .ifPresent(name -> note(session, name, "renewed", actor, now));
    }

    @Transactional
    public void remove(long session, long leader, Actor actor) {
        Instant now = clock.instant();
        keepers.session(session, actor, now);
        writes.sql()
                .deleteFrom(LEADER)
                .where(LEADER.ID.eq(leader))
                .and(LEADER.SESSION_ID.eq(session))
                .returningResult(LEADER.NAME)
                .fetchOptional(LEADER.NAME)
                .ifPresent(name -> note(session, name, "removed", actor, now));
    }

    private void note(long session, String name, String what, Actor actor, Instant now) {
        logbook.write(
                session, actor, LogbookEntry.HOST_LINK, Facts.of("who", name).and("what", what), now);
    }

    /** Mails a code to whoever a link is of, once a minute at most. */
    @Transactional
    public void sendCode(Leader leader, Session session, Actor actor) {
        Instant now = clock.instant();
        Instant until = now.plus(CODE_LASTS);
        boolean recent = find(leader)
                .flatMap(Leader::codeUntil)
                .filter(before -> before.isAfter(until.minus(AT_MOST_EVERY)))
                .isPresent();
        if (recent) {
            return;
        }
        writes.sql()
                .update(LEADER)
                .set(LEADER.CODE_UNTIL, until)
                .where(LEADER.ID.eq(leader.id()))
                .execute();
        outbox.letter(
                LetterKind.HOST_CODE,
                "host-code-" + leader.id() + "-" + until.getEpochSecond(),
                leader.email(),
                Facts.of("code", links.code(Purpose.HOST, leader.link(), until))
                        .and("title", session.offering().title())
                        .and("minutes", CODE_LASTS.toMinutes()),
                "",
                now);
    }

    /** Takes a code, which is good once. @return whether it was the one */
    @Transactional
    public boolean take(Leader leader, String code, Actor actor) {
        Instant now = clock.instant();
        boolean right = find(leader)
                .flatMap(Leader::codeUntil)
                .filter(until -> !until.isBefore(now))
                .filter(until -> links.code(Purpose.HOST, leader.link(), until).equals(code.strip()))
                .isPresent();
        if (right) {
            writes.sql()
                    .update(LEADER)
                    .setNull(LEADER.CODE_UNTIL)
                    .where(LEADER.ID.eq(leader.id()))
                    .execute();
        }
        return right;
    }

    private Optional<Leader> find(Leader leader) {
        return writes.sql()
                .selectFrom(LEADER)
                .where(LEADER.ID.eq(leader.id()))
                .and(LEADER.GENERATION.eq(leader.generation()))
                .fetchOptional(Leader::of);
    }
}
