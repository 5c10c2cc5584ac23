package jollyroster.outbox;

import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Channels;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.Times;

/** What a message is, in words. */
public final class MessageWords {

    private MessageWords() {}

    public static String of(OutboxQueries.Item item) {
        return item.kind().map(MessageWords::of).orElseGet(() -> of(item.anchor(), item.offset(), item.channel()));
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
            case TEAM_NEWS -> "To the team: news of a session";
            case DAY_NEWS -> "To the team: news of the day";
            case DAY_SHEET -> "Day sheet";
            case REHEARSED -> "Rehearsal";
            case GUEST_CODE -> "Code for a guest link";
            case ROOM_MEETINGS -> "Link to past meetings";
            case HOST_CODE -> "Code for a link to lead";
            case JOIN_TEAM -> "Invitation to the team";
        };
    }

    /** When a line of a plan goes, as it is typed. */
    public static String when(PlanLine line) {
        String span = Times.said(line.offset());
        return switch (line.anchor()) {
            case BEFORE_START -> span + " before";
            case DOOR_OPENS -> "when the door opens";
            case NOT_IN -> span + " after the start";
            case ATTENDED, PART, ABSENT -> span + " after the end";
            case SILENT -> span + " before the cut-off";
            case UNPAID -> span + " before the payment runs out";
            case STILL_WAITING -> span + " before, if waiting";
            case SHORT -> span + " before, if short";
            case WAITLISTED -> "when waitlisted";
            case CALLED_UP -> "when called up";
            case SEATED -> "when seated";
            case CHANGED -> "when changed";
            case CALLED_OFF -> "when cancelled";
            case RESTORED -> "when it takes place after all";
            default -> "at once";
        };
    }

    /** A message without its time. */
    public static String plain(Anchor anchor) {
        return switch (anchor) {
            case BEFORE_START -> "Reminder";
            case NOT_IN -> "Note that it has begun";
            case ATTENDED -> "Follow-up to those who attended";
            case PART -> "Follow-up to those who came in part";
            case ABSENT -> "Follow-up to the absent";
            default -> of(anchor, Offset.none());
        };
    }

    /** What a line of a plan is. */
    public static String kind(Anchor anchor) {
        return switch (anchor) {
            case BEFORE_START -> "Reminder with the link";
            case DOOR_OPENS -> "Note that the door is open, with the link";
            case NOT_IN -> "Note that it has begun, with the link";
            case ATTENDED, PART, ABSENT -> "Follow-up";
            case SILENT -> "Reminder of the invitation";
            case UNPAID -> "Reminder to pay";
            case STILL_WAITING -> "Note to the waitlist";
            case SHORT -> "Warning: too few people";
            case REGISTERED -> "Confirmation with the link";
            default -> of(anchor, Offset.none());
        };
    }

    /** To whom a line of a plan goes. */
    public static String whom(PlanLine line) {
        return some(line.audience())
                + switch (line.anchor()) {
                    case SILENT -> "those who have not answered";
                    case UNPAID -> "those who have not paid";
                    case STILL_WAITING -> "those who still wait";
                    case SHORT -> "the organiser";
                    case WAITLISTED, CALLED_UP, SEATED, CHANGED, CALLED_OFF, RESTORED -> "whom it is about";
                    case NOT_IN -> "those who are not in";
                    case ATTENDED -> "those who attended";
                    case PART -> "those who were there in part";
                    case ABSENT -> "those who were absent";
                    default -> "everybody registered";
                };
    }

    private static String some(Audience audience) {
        return switch (audience.kind()) {
            case EVERYBODY -> "";
            case FIRST_TIMERS -> "first-timers among ";
            case RETURNING -> "those who have been before among ";
            case ANSWERED -> "“" + audience.answer() + "” to " + audience.question() + " among ";
        };
    }

    /** By what a line goes. */
    public static String by(Channels channels) {
        return switch (channels) {
            case EMAIL -> "e-mail";
            case TEXT -> "text";
            case BOTH -> "e-mail and text";
        };
    }

    public static String of(Anchor anchor, Offset offset, Channel channel) {
        return of(anchor, offset) + (channel == Channel.TEXT ? ", by text" : "");
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
            case SILENT -> "Reminder of the invitation";
            case INVITED -> "Invitation";
            case INVITED_AGAIN -> "Reminder of an invitation";
            case NO_ROOM -> "Request declined";
            case UNPAID -> "Reminder to pay, " + Times.said(offset) + " before it runs out";
            case STILL_WAITING -> "Note to the waitlist, " + Times.said(offset) + " before";
            case SHORT -> "Too few people, " + Times.said(offset) + " before";
            case WRITTEN -> "From the organiser";
            case LETTER -> "Message";
            case BEFORE_START -> "Reminder, " + Times.said(offset) + " before";
            case DOOR_OPENS -> "Note that the door is open";
            case NOT_IN -> "Note that it has begun, " + Times.said(offset) + " after the start";
            case ATTENDED -> "Follow-up, " + Times.said(offset) + " after";
            case PART -> "Follow-up to who came in part, " + Times.said(offset) + " after";
            case ABSENT -> "Follow-up to the absent, " + Times.said(offset) + " after";
        };
    }
}
