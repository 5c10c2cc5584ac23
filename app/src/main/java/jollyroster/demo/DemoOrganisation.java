package jollyroster.demo;

import java.nio.charset.StandardCharsets;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.team.AccountCommands;
import jollyroster.team.Role;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets up the school and its organiser, with a secret that is the same each time. */
@Component
@Profile("demo")
class DemoOrganisation {

    private final OrganisationCommands organisations;
    private final AccountCommands accounts;

    DemoOrganisation(OrganisationCommands organisations, AccountCommands accounts) {
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
        accounts.add("Demo Organiser", "demo@saltmarrow.example", "fair-winds", Role.ORGANISER);
    }
}
