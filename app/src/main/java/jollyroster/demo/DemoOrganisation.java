package jollyroster.demo;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.Role;
import jollyroster.team.AccountCommands;
import org.springframework.context.annotation.Profile;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets up the school and its team, with a secret that is the same each time. */
@Component
@Profile("demo")
class DemoOrganisation {

    static final String OTTOLINE = "Ottoline Marsh";
    static final String BARNABY = "Barnaby Teague";
    static final String SABLE = "Sable Renwick";
    private static final String PASSWORD = "fair-winds";
    private final OrganisationCommands organisations;
    private final AccountCommands accounts;
    private final String password;
    private final Map<String, Long> members = new ConcurrentHashMap<>();

    DemoOrganisation(OrganisationCommands organisations, AccountCommands accounts, PasswordEncoder passwords) {
        this.password = passwords.encode(PASSWORD);
        this.organisations = organisations;
        this.accounts = accounts;
    }

    @Transactional
    void up() {
        organisations.setUp(
                new Organisation(
                        "Saltmarrow Sea School",
                        DemoData.HOME,
                        "CA",
                        "office@saltmarrow.example",
                        "#1f5c4d",
                        "Short courses by the water and on the air, for people who go out and mean to come back."),
                "demo data has no secrets worth it".getBytes(StandardCharsets.UTF_8));
        accounts.add("Demo Organiser", "demo@saltmarrow.example", password, Role.ORGANISER, DemoActor.PROGRAM);
        host(OTTOLINE, "ottoline@saltmarrow.example");
        host(BARNABY, "barnaby@saltmarrow.example");
        host(SABLE, "sable@saltmarrow.example");
        accounts.add("Wilhelmina Oke", "wilhelmina@saltmarrow.example", password, Role.HELPER, DemoActor.PROGRAM);
    }

    private void host(String name, String email) {
        members.put(name, accounts.add(name, email, password, Role.HOST, DemoActor.PROGRAM));
    }

    /** The number of a host. */
    long member(String name) {
        return members.get(name);
    }
}
