package jollyroster.outbox;

import java.util.Optional;
import jollyroster.core.messages.Anchor;

/** Which messages are of no use without a link, and what to say when it is missing. */
final class WayIn {

    private WayIn() {}

    /** What is said when the link of such a message is missing; empty where none is needed. */
    static Optional<String> of(Anchor anchor) {
        return switch (anchor) {
            case REGISTERED, BEFORE_START, DOOR_OPENS, NOT_IN, SEATED ->
                Optional.of("The way in is missing: {{{join_link}}} has to stand in it, whatever holds.");
            case CONFIRM -> Optional.of("The link is missing: {{{confirm_link}}} has to stand in it.");
            case PAY, CALLED_UP, SWAP_ASKED, LINK_AGAIN ->
                Optional.of("The link is missing: {{{own_link}}} has to stand in it.");
            case INVITED, INVITED_AGAIN -> Optional.of("The link is missing: {{{answer_link}}} has to stand in it.");
            default -> Optional.empty();
        };
    }
}
