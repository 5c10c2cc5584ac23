package jollyroster.seating;

import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.programme.Offering;

/** What the guest list of an offering says about somebody who asks for seats. Asked as part of a write. */
public interface Invitations {

    /**
     * Whether somebody may register: always, unless only those who are invited may.
     *
     * @param email of whoever asks, in lower case
     * @param invitation the link they come with, if any
     */
    boolean mayCome(Offering offering, String email, Optional<Link> invitation);
}
