package jollyroster.outbox;

import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Times;

/** What a message is, in words. */
public final class MessageWords {

    private MessageWords() {}

    public static String of(OutboxQueries.Item item) {
        return item.kind().map(MessageWords::of).orElseGet(() -> of(item.anchor(), item.offset()));
    }

    private static String of(LetterKind kind) {
        return switch (kind) {
            case INVITED -> "Invitation";
            case INVITED_AGAIN -> "Reminder of an invitation";
            case NO_ROOM -> "Request declined";
            case ANSWERED -> "To the organiser: an answer";
            case TIME_NEWS -> "To organiser and host: a time";
            case TIMES_PICKED -> "To organiser and host: times of the day";
            case ANSWERS -> "To the organiser: how answers stand";
            case YOUR_REGISTRATIONS -> "Link to own registrations";
            case ADDRESS_CHANGED -> "Address changed, to the old one";
            case CONFIRM_ADDRESS -> "Asks to confirm a new address";
            case JOIN_TEAM -> "Invitation to the team";
        };
    }

    public static String of(Anchor anchor, Offset offset) {
        return switch (anchor) {
            case REGISTERED -> "Confirmation";
            case CONFIRM -> "Asks to confirm";
            case PAY -> "Asks to pay";
            case PAID_TOO_LATE -> "Paid too late";
            case WAITLISTED -> "Waitlist notice";
            case CALLED_UP -> "Call-up";
            case SEATED -> "Seat freed";
            case OUTRUN -> "Others were faster";
            case RAN_OUT -> "Time ran out";
            case REPLIED -> "Answer noted";
            case CANCELLED -> "Registration cancelled";
            case SWAP_ASKED -> "Asks to swap";
            case SWAP_DECLINED -> "Swap declined";
            case LINK_AGAIN -> "Link again";
            case CHANGED -> "Change notice";
            case CALLED_OFF -> "Session cancelled";
            case RESTORED -> "Takes place after all";
            case RECEIPT -> "Receipt";
            case REFUNDED -> "Money refunded";
            case WRITTEN -> "From the organiser";
            case LETTER -> "Message";
            case BEFORE_START -> "Reminder, " + Times.said(offset) + " before";
        };
    }
}
