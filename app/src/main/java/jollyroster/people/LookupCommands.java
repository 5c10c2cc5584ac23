package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sends people the link to all their registrations. */
@Component
public class LookupCommands {

    private static final Duration AT_MOST_EVERY = Duration.ofMinutes(10);
    private final Writes writes;
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final Clock clock;

    LookupCommands(Writes writes, OutboxCommands outbox, PersonalLinks links, Clock clock) {
        this.writes = writes;
        this.outbox = outbox;
        this.links = links;
        this.clock = clock;
    }

    /** Queues the letter, at most one in ten minutes; does nothing when nobody has this address. */
    @Transactional
    public void sendLink(String email, Actor actor) {
        Instant now = clock.instant();
        writes.sql()
                .select(PERSON.ID, PERSON.GENERATION)
                .from(PERSON)
                .where(PersonCommands.isAt(DSL.val(email)))
                .fetchOptional()
                .ifPresent(person -> outbox.letter(
                        LetterKind.YOUR_REGISTRATIONS,
                        "mine-" + person.value1() + "-" + now.getEpochSecond() / AT_MOST_EVERY.toSeconds(),
                        email,
                        Facts.of("registrations_link", links.allOf(new Link(person.value1(), person.value2()))),
                        "",
                        now));
    }
}
