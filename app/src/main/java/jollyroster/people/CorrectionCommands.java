package jollyroster.people;

import static jollyroster.platform.tables.Tables.NEW_ADDRESS;
import static jollyroster.platform.tables.Tables.PERSON;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.Belongings.Correction;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PersonRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Puts a name or an address right: an organiser at once, a person after showing that the new address is theirs. The old
 * address is told that it is no longer written to, but not which one is.
 */
@Component
public class CorrectionCommands {

    private static final Duration GOOD_FOR = Duration.ofDays(2);
    private final Writes writes;
    private final List<Belongings> belongings;
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final Clock clock;

    CorrectionCommands(
            Writes writes, List<Belongings> belongings, OutboxCommands outbox, PersonalLinks links, Clock clock) {
        this.writes = writes;
        this.belongings = List.copyOf(belongings);
        this.outbox = outbox;
        this.links = links;
        this.clock = clock;
    }

    /** What came of it. */
    public enum Corrected {
        DONE,
        /** The address is another now: the old one is told, and new links are on their way. */
        READDRESSED,
        /** All is as wanted already. */
        SAME,
        /** Somebody else has this address. */
        TAKEN,
        UNKNOWN
    }

    /** @param email in lower case; empty for none */
    @Transactional
    public Corrected correct(long person, String name, String email, Actor actor) {
        actor.requireOrganiser();
        return byId(person).map(p -> correct(p, name, email, actor)).orElse(Corrected.UNKNOWN);
    }

    private Optional<PersonRecord> byId(long person) {
        return writes.sql().selectFrom(PERSON).where(PERSON.ID.eq(person)).fetchOptional();
    }

    private Corrected correct(PersonRecord person, String name, String email, Actor actor) {
        Correction wanted = new Correction(person.getId(), person.getName(), name, person.getEmail(), email);
        if (!wanted.renames() && !wanted.readdresses()) {
            return Corrected.SAME;
        }
        if (wanted.readdresses() && isTaken(email)) {
            return Corrected.TAKEN;
        }
        Instant now = clock.instant();
        person.setName(name);
        person.setEmail(email);
        person.setFolded(PersonCommands.folded(name, email));
        if (wanted.readdresses()) {
            person.setGeneration(PersonalLinks.firstGeneration(now));
        }
        person.store();
        belongings.forEach(all -> all.correct(wanted, actor, now));
        if (wanted.readdresses() && !wanted.emailBefore().isEmpty()) {
            outbox.letter(
                    LetterKind.ADDRESS_CHANGED,
                    "address-" + person.getId() + "-" + now.toEpochMilli(),
                    wanted.emailBefore(),
                    Facts.of("name", wanted.nameBefore()),
                    "",
                    now);
        }
        return wanted.readdresses() ? Corrected.READDRESSED : Corrected.DONE;
    }

    private boolean isTaken(String email) {
        return writes.sql().fetchExists(PERSON, PersonCommands.isAt(DSL.val(email)));
    }

    /** Changes the name of a person, as they wish. */
    @Transactional
    public Corrected rename(long person, long registration, String name, Actor actor) {
        actor.requireOver(registration);
        return byId(person).map(p -> correct(p, name, p.getEmail(), actor)).orElse(Corrected.UNKNOWN);
    }

    /** Asks whoever has an address to show that it is this person's. Says nothing about whether it is somebody else's. */
    @Transactional
    public void ask(long person, long registration, String email, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        byId(person).filter(p -> !p.getEmail().equals(email)).ifPresent(p -> {
            int generation = Math.max(PersonalLinks.firstGeneration(now), lastAsked(person) + 1);
            writes.sql()
                    .insertInto(NEW_ADDRESS)
                    .set(NEW_ADDRESS.PERSON_ID, person)
                    .set(NEW_ADDRESS.EMAIL, email)
                    .set(NEW_ADDRESS.GENERATION, generation)
                    .set(NEW_ADDRESS.ASKED_AT, now)
                    .onConflict(NEW_ADDRESS.PERSON_ID)
                    .doUpdate()
                    .set(NEW_ADDRESS.EMAIL, email)
                    .set(NEW_ADDRESS.GENERATION, generation)
                    .set(NEW_ADDRESS.ASKED_AT, now)
                    .execute();
            outbox.letter(
                    LetterKind.CONFIRM_ADDRESS,
                    "new-address-" + person + "-" + generation,
                    email,
                    Facts.of("confirm_link", links.newAddress(new Link(person, generation))),
                    "",
                    now);
        });
    }

    private int lastAsked(long person) {
        return writes.sql()
                .select(NEW_ADDRESS.GENERATION)
                .from(NEW_ADDRESS)
                .where(NEW_ADDRESS.PERSON_ID.eq(person))
                .fetchOptional(NEW_ADDRESS.GENERATION)
                .orElse(0);
    }

    /** The address a link confirms; empty when it is not valid any more. */
    @Transactional(readOnly = true)
    public Optional<String> asked(Link link) {
        return writes.sql()
                .select(NEW_ADDRESS.EMAIL)
                .from(NEW_ADDRESS)
                .where(NEW_ADDRESS.PERSON_ID.eq(link.id()))
                .and(NEW_ADDRESS.GENERATION.eq(link.generation()))
                .and(NEW_ADDRESS.ASKED_AT.gt(clock.instant().minus(GOOD_FOR)))
                .fetchOptional(NEW_ADDRESS.EMAIL);
    }

    /** Takes the new address, as its owner has shown that it is theirs. The link is good for once. */
    @Transactional
    public Corrected confirm(Link link, Actor actor) {
        Optional<String> email = asked(link);
        Optional<PersonRecord> person = email.flatMap(e -> byId(link.id()));
        if (person.isEmpty()) {
            return Corrected.UNKNOWN;
        }
        writes.sql()
                .deleteFrom(NEW_ADDRESS)
                .where(NEW_ADDRESS.PERSON_ID.eq(link.id()))
                .execute();
        return correct(person.get(), person.get().getName(), email.get(), actor);
    }
}
