package jollyroster.outbox;

import jollyroster.core.messages.Anchor;

/** The subject of a message; known when it is planned, so that the outbox can show it. */
final class Subjects {

    private Subjects() {}

    static String of(Anchor anchor, String title) {
        return switch (anchor) {
            case REGISTERED -> "You are registered: " + title;
            case CONFIRM -> "Please confirm: " + title;
            case PAY -> "Please pay: " + title;
            case PAID_TOO_LATE -> "Your payment came too late: " + title;
            case WAITLISTED -> "You are on the waitlist: " + title;
            case CALLED_UP -> "A seat is free for you, please answer: " + title;
            case SEATED -> "You are in: " + title;
            case OUTRUN -> "Somebody was faster: " + title;
            case RAN_OUT -> "The time ran out: " + title;
            case REPLIED -> "Your answer: " + title;
            case CANCELLED -> "Registration cancelled: " + title;
            case SWAP_ASKED -> "Somebody would like to swap dates: " + title;
            case SWAP_DECLINED -> "No swap this time: " + title;
            case LINK_AGAIN -> "Your page again: " + title;
            case CHANGED -> "Change to " + title;
            case CALLED_OFF -> "Cancelled: " + title;
            case RESTORED -> "It takes place after all: " + title;
            case RECEIPT -> "Your receipt: " + title;
            case REFUNDED -> "Your money is refunded: " + title;
            case BEFORE_START -> "Coming up: " + title;
            case DOOR_OPENS -> "The door is open: " + title;
            case NOT_IN -> "We have begun: " + title;
            case ATTENDED -> "Thank you for coming: " + title;
            case PART -> "Thank you for looking in: " + title;
            case ABSENT -> "We missed you: " + title;
            case UNPAID -> "Please pay soon: " + title;
            case STILL_WAITING -> "Still on the waitlist: " + title;
            case SILENT, SHORT, INVITED, INVITED_AGAIN, NO_ROOM, WRITTEN, LETTER -> title;
        };
    }
}
