package jollyroster.signup;

import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.outbox.OutboxWorker;
import jollyroster.seating.RegistrationQueries;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Somebody who comes by on the first morning, in a browser that keeps nothing, and what is needed to see what came of it. */
abstract class AsVisitor {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    Browserless visitor;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        visitor = new Browserless(port);
    }
}
