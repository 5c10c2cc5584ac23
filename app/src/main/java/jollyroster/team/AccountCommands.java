package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.time.Clock;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.Writes;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes accounts. */
@Component
public class AccountCommands {

    private final Writes writes;
    private final OrganisationCommands organisations;
    private final PasswordEncoder passwords;
    private final Clock clock;

    AccountCommands(Writes writes, OrganisationCommands organisations, PasswordEncoder passwords, Clock clock) {
        this.writes = writes;
        this.organisations = organisations;
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
    public boolean setUpFirst(Organisation organisation, String name, String email, String password) {
        if (writes.sql().fetchExists(ACCOUNT)) {
            return false;
        }
        organisations.setUp(organisation);
        add(name, email, password, Role.ORGANISER);
        return true;
    }

    /** Adds an account as part of a write. */
    @Transactional
    public void add(String name, String email, String password, Role role) {
        writes.sql()
                .insertInto(ACCOUNT)
                .set(ACCOUNT.EMAIL, email)
                .set(ACCOUNT.NAME, name)
                .set(ACCOUNT.ROLE, role.name())
                .set(ACCOUNT.PASSWORD_HASH, passwords.encode(password))
                .set(ACCOUNT.CREATED_AT, clock.instant())
                .execute();
    }
}
