package jollyroster.roster;

import static jollyroster.Saltmarrow.person;

import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** An organiser who looks after rosters, on the first morning. */
abstract class AtTheRoster {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    TestClock clock;

    /** Signed in once: signing in too often is throttled. */
    static Browserless organiser;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        organiser = organiser == null ? Browserless.organiser(port) : organiser;
    }

    long register(long session, String name, int party) {
        return ((Registering.Done) roster.register(person(session, name, party), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    static String rolls(Published at) {
        return "/desk/sessions/" + at.session() + "/roster";
    }
}
