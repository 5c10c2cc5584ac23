package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.time.Clock;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Role;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.AccountRecord;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes accounts and changes them. */
@Component
public class AccountCommands {

    private final Writes writes;
    private final OrganisationCommands organisations;
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final PasswordEncoder passwords;
    private final Clock clock;

    AccountCommands(
            Writes writes,
            OrganisationCommands organisations,
            OutboxCommands outbox,
            PersonalLinks links,
            PasswordEncoder passwords,
            Clock clock) {
        this.writes = writes;
        this.organisations = organisations;
        this.outbox = outbox;
        this.links = links;
        this.passwords = passwords;
        this.clock = clock;
    }

    /**
     * Sets up the organisation and its first organiser in one write.
     *
     * @param password in clear; only its hash is kept
     * @return false, with nothing changed, when there is an account already
     */
    @Transactional
    public boolean setUpFirst(Organisation organisation, String name, String email, String password, Actor actor) {
        if (writes.sql().fetchExists(ACCOUNT)) {
            return false;
        }
        organisations.setUp(organisation);
        insert(name, email, passwords.encode(password), Role.ORGANISER);
        return true;
    }

    /**
     * Adds an account that can sign in at once, as part of a write.
     *
     * @param passwordHash as the password encoder gives it
     * @return its number
     */
    @Transactional
    public long add(String name, String email, String passwordHash, Role role, Actor actor) {
        actor.requireOrganiser();
        return insert(name, email, passwordHash, role);
    }

    private long insert(String name, String email, String passwordHash, Role role) {
        AccountRecord row = writes.sql().newRecord(ACCOUNT);
        row.setEmail(email);
        row.setName(name);
        row.setRole(role.name());
        row.setPasswordHash(passwordHash);
        row.setCreatedAt(clock.instant());
        return writes.sql()
                .insertInto(ACCOUNT)
                .set(row)
                .returningResult(ACCOUNT.ID)
                .fetchOne(ACCOUNT.ID);
    }

    /**
     * Adds a member who can lead sessions from now on and sign in once the invitation is accepted, and sends it.
     *
     * @param name,email checked
     * @return empty, with nothing changed, when the address belongs to a member already
     */
    @Transactional
    public Optional<Long> invite(String name, String email, Role role, Actor actor) {
        actor.requireOrganiser();
        try {
            long id = insert(name, email, "", role);
            sendInvitation(id, name, email, 1, actor);
            return Optional.of(id);
        } catch (IntegrityConstraintViolationException addressTaken) {
            return Optional.empty();
        }
    }

    /** Sends the invitation again, with a new link; the old one no longer works. Not to members who have joined. */
    @Transactional
    public boolean inviteAgain(long id, Actor actor) {
        actor.requireOrganiser();
        Optional<AccountRecord> row = row(id).filter(r -> r.getPasswordHash().isEmpty());
        row.ifPresent(r -> {
            r.setGeneration(r.getGeneration() + 1);
            r.store();
            sendInvitation(id, r.getName(), r.getEmail(), r.getGeneration(), actor);
        });
        return row.isPresent();
    }

    /** Gives a member's calendar another address; the old one no longer works. Not of somebody who has not joined. */
    @Transactional
    public boolean renewCalendar(long id, Actor actor) {
        actor.requireOrganiser();
        Optional<AccountRecord> row = row(id).filter(r -> !r.getPasswordHash().isEmpty());
        row.ifPresent(r -> {
            r.setGeneration(r.getGeneration() + 1);
            r.store();
        });
        return row.isPresent();
    }

    private void sendInvitation(long id, String name, String email, int generation, Actor actor) {
        outbox.letter(
                LetterKind.JOIN_TEAM,
                "invitation-" + id + "-" + generation,
                email,
                Facts.of("name", name)
                        .and("by", actor.name())
                        .and("team_link", links.invitation(new Link(id, generation))),
                "",
                clock.instant());
    }

    private Optional<AccountRecord> row(long id) {
        return writes.sql().selectFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).fetchOptional();
    }

    /**
     * Accepts an invitation; its link does not work a second time.
     *
     * @param password in clear, checked; only its hash is kept
     * @return false, with nothing changed, when it was accepted or sent anew since
     */
    @Transactional
    public boolean accept(Link invitation, String password, Actor actor) {
        Optional<AccountRecord> row = row(invitation.id())
                .filter(r -> r.getGeneration() == invitation.generation()
                        && r.getPasswordHash().isEmpty()
                        && r.getIsActive());
        row.ifPresent(r -> {
            r.setPasswordHash(passwords.encode(password));
            r.setGeneration(r.getGeneration() + 1);
            r.store();
        });
        return row.isPresent();
    }

    /** What came of changing a member. */
    public enum Changed {
        DONE,
        /** Somebody must stay who may do everything; nothing was changed. */
        LAST_ORGANISER,
        UNKNOWN
    }

    /** Gives a member another role, or lets them sign in no longer. Takes effect at their next page. */
    @Transactional
    public Changed change(long id, Role role, boolean active, Actor actor) {
        actor.requireOrganiser();
        Optional<AccountRecord> row = row(id);
        if (row.isEmpty()) {
            return Changed.UNKNOWN;
        }
        boolean staysOrganiser = active && role == Role.ORGANISER;
        if (!staysOrganiser && !hasAnotherOrganiser(id)) {
            return Changed.LAST_ORGANISER;
        }
        row.get().setRole(role.name());
        row.get().setIsActive(active);
        row.get().store();
        return Changed.DONE;
    }

    private boolean hasAnotherOrganiser(long id) {
        return writes.sql()
                .fetchExists(
                        ACCOUNT,
                        ACCOUNT.ID
                                .ne(id)
                                .and(ACCOUNT.ROLE.eq(Role.ORGANISER.name()))
                                .and(ACCOUNT.IS_ACTIVE.isTrue())
                                .and(ACCOUNT.PASSWORD_HASH.ne("")));
    }

    /** To which number texts to a member go; part of a write that is under way. @param phone E.164; empty for none */
    public void setPhone(long account, String phone) {
        writes.sql()
                .update(ACCOUNT)
                .set(ACCOUNT.PHONE, phone)
                .where(ACCOUNT.ID.eq(account))
                .execute();
    }
}
