package jollyroster.seating;

import java.time.Duration;
import jollyroster.answers.RanOut;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.RegistrationState;

/** What came of an application. */
public sealed interface Registering {

    /** For so long seats are held for somebody who has yet to confirm or to pay, both by a link that comes by e-mail. */
    Duration HELD = Duration.ofMinutes(30);

    /**
     * The registration stands, seated or waiting; also when the same form is sent a second time.
     *
     * @param again whether nothing was changed, because all was as asked for already
     * @param proven whether whoever asked has shown that the address is theirs; only then may the link be shown to them
     */
    record Done(Link link, RegistrationState state, boolean again, boolean proven) implements Registering {}

    /**
     * This address is on the session already, or on another date of an offering of which a person holds one; its own-page
     * link is sent there again, and whoever asked is told no more than a newcomer.
     *
     * @param asNewcomer where somebody whom nobody knows would stand now
     */
    record Already(RegistrationState asNewcomer) implements Registering {}

    record Refused(Reason because) implements Registering {}

    /** Too few are left of an option that was chosen. */
    record OptionGone(RanOut option) implements Registering {}

    /** Why nothing was registered. */
    enum Reason {
        NO_SUCH_SESSION,
        /** The time that was picked is somebody else's by now, or never was to be had. */
        TIME_GONE,
        /** Only those who were invited may register. */
        INVITED_ONLY,
        NOT_OPEN,
        /** The organiser cancelled the registration; only they can take that back. */
        ENDED_BY_TEAM,
        /** What was asked for means nothing here. */
        NOT_POSSIBLE,
        ALREADY_STARTED,
        PARTY_TOO_LARGE,
        LARGER_THAN_SESSION,
        FULL,
        WAITLIST_FULL
    }
}
