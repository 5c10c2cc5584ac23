package jollyroster.platform;

import static jollyroster.platform.tables.Tables.ORGANISATION;

import java.security.SecureRandom;
import java.time.Clock;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Changes the organisation's settings. */
@Component
public class OrganisationCommands {

    private static final int SECRET_BYTES = 32;
    private final Writes writes;
    private final Clock clock;

    OrganisationCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * Sets the organisation up, with a new secret for personal links, as part of the caller's write. A second set-up
     * breaks the table's one row and fails.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void setUp(Organisation organisation) {
        byte[] secret = new byte[SECRET_BYTES];
        new SecureRandom().nextBytes(secret);
        setUp(organisation, secret);
    }

    /** As {@link #setUp(Organisation)} with a given secret, for data that must come out the same each time. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void setUp(Organisation organisation, byte[] secret) {
        writes.sql()
                .insertInto(ORGANISATION)
                .set(ORGANISATION.ID, 1L)
                .set(ORGANISATION.NAME, organisation.name())
                .set(ORGANISATION.HOME_ZONE, organisation.zone().getId())
                .set(ORGANISATION.REGION, organisation.region())
                .set(ORGANISATION.CONTACT_EMAIL, organisation.contactEmail())
                .set(ORGANISATION.COLOUR, organisation.colour())
                .set(ORGANISATION.WELCOME_TEXT, organisation.welcomeText())
                .set(ORGANISATION.LINK_SECRET, secret)
                .set(ORGANISATION.CREATED_AT, clock.instant())
                .execute();
    }

    /** Changes everything but the secret. */
    @Transactional
    public void change(Organisation organisation, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(ORGANISATION)
                .set(ORGANISATION.NAME, organisation.name())
                .set(ORGANISATION.HOME_ZONE, organisation.zone().getId())
                .set(ORGANISATION.REGION, organisation.region())
                .set(ORGANISATION.CONTACT_EMAIL, organisation.contactEmail())
                .set(ORGANISATION.COLOUR, organisation.colour())
                .set(ORGANISATION.WELCOME_TEXT, organisation.welcomeText())
                .set(ORGANISATION.DAY_BEGINS, organisation.dayBegins())
                .set(ORGANISATION.LOGO, organisation.logo())
                .set(ORGANISATION.PHONE, organisation.phone())
                .set(ORGANISATION.WEBSITE, organisation.website())
                .set(ORGANISATION.BANNER, organisation.banner())
                .execute();
    }
}
