package jollyroster.outbox;

import jollyroster.core.messages.Anchor;

/** The subject of a message; known when it is planned, so that the outbox can show it. */
final class Subjects {

    private Subjects() {}

    static String of(Anchor anchor, String title) {
        return switch (anchor) {
            case REGISTERED -> "Your seat: " + title;
            case WAITLISTED -> "You are on the waitlist: " + title;
            case CALLED_UP -> "A seat is yours: " + title;
            case CANCELLED -> "Given back: " + title;
            case LINK_AGAIN -> "Your page again: " + title;
            case CHANGED -> "Changed: " + title;
            case CALLED_OFF -> "Called off: " + title;
            case RESTORED -> "It takes place after all: " + title;
            case BEFORE_START -> "Coming up: " + title;
            case LETTER -> title;
        };
    }
}
