package jollyroster.seating;

import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;

/** What the guest list of an offering says about a link. Asked as part of a write. */
public interface Invitations {

    /** Somebody who is invited. @param email in lower case */
    record Invitee(long offering, String email) {}

    /** The one a link speaks for; empty when it was revoked, or they are no longer invited. */
    Optional<Invitee> of(Link invitation);
}
