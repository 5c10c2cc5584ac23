package jollyroster.roster;

import jollyroster.core.door.LinkTokens.Link;

/** What came of an application. */
public sealed interface Registering {

    /** The registration stands, seated or waiting; also when the same form is sent a second time. */
    record Done(Link link, RegistrationState state) implements Registering {}

    /** This address is on the session already; its own-page link is sent there again. */
    record Already() implements Registering {}

    record Refused(Reason because) implements Registering {}

    /** Why nothing was registered. */
    enum Reason {
        NO_SUCH_SESSION,
        NOT_OPEN,
        ALREADY_STARTED,
        PARTY_TOO_LARGE,
        LARGER_THAN_SESSION,
        FULL,
        WAITLIST_FULL
    }
}
