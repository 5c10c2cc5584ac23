package jollyroster.platform;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.core.env.Profiles;
import org.springframework.stereotype.Component;

/** Says where the program can be reached, once it can. */
@Component
class Announcement {

    private final Address address;
    private final OrganisationQueries organisation;
    private final Environment environment;

    Announcement(Address address, OrganisationQueries organisation, Environment environment) {
        this.address = address;
        this.organisation = organisation;
        this.environment = environment;
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        String desk = organisation.isSetUp() ? address.of("/desk") : address.of("/welcome");
        System.out.println("Jolly Roster is ready: " + desk);
        if (environment.acceptsProfiles(Profiles.of("demo"))) {
            System.out.println(
                    "Sign in as demo@saltmarrow.example, password fair-winds. Public pages: " + address.of("/"));
        }
    }
}
