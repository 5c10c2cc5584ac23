package jollyroster.plans;

import java.time.ZoneId;
import java.util.List;
import jollyroster.core.messages.Happening;
import jollyroster.core.messages.MessagePlan;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.platform.Times;

/** What happens in a rehearsal, and why messages go as they do, in words. */
final class RehearsalWords {

    private RehearsalWords() {}

    /** What can happen, for somebody to choose from. */
    static String choice(Happening.Kind kind) {
        return switch (kind) {
            case CANCELS -> "somebody cancels";
            case CALLED_UP -> "somebody is called up and accepts";
            case ANSWERS_LATE -> "somebody is called up and answers too late";
            case MOVES -> "the session moves";
            case OTHER_PLACE -> "it meets elsewhere";
            case CALLED_OFF -> "the session is cancelled";
            case CLOCKS -> "clocks change otherwise than was known";
        };
    }

    static String of(Happening h, List<Player> cast) {
        String who = h.who() < cast.size() ? cast.get(h.who()).name() : "Nobody";
        return switch (h.kind()) {
            case CANCELS -> who + " cancels";
            case CALLED_UP -> who + " is called up, accepts two hours later";
            case ANSWERS_LATE -> who + " is called up, answers too late";
            case MOVES ->
                "The session moves by " + Math.abs(h.days()) + (Math.abs(h.days()) == 1 ? " day" : " days")
                        + (h.days() < 0 ? " earlier" : "");
            case OTHER_PLACE -> "It meets elsewhere";
            case CALLED_OFF -> "The session is cancelled";
            case CLOCKS -> "The clocks change, it begins an hour later";
        };
    }

    /** Why a message goes when it goes, or does not; empty where it goes as planned. */
    static String why(Played m, ZoneId zone) {
        if (m.dropped().isPresent()) {
            return "does not go: " + reason(m.dropped().get());
        }
        if (m.withdrawn().isPresent()) {
            return "withdrawn: " + reason(m.withdrawn().get());
        }
        return m.at().equals(m.nominal())
                ? ""
                : "moved from " + Times.dayAndTime(m.nominal(), zone) + ", when nobody is written to there";
    }

    private static String reason(Happening.Kind why) {
        return switch (why) {
            case CANCELS -> "they cancelled before";
            case CALLED_OFF -> "the session was cancelled before";
            case MOVES -> "the session moved, it was planned anew";
            case CLOCKS -> "the clocks changed, it was planned anew";
            default -> "it was planned anew";
        };
    }

    private static String reason(MessagePlan.Reason reason) {
        return switch (reason) {
            case TIME_HAD_PASSED -> "its time had passed when they registered";
            case FOLDED_INTO_CONFIRMATION -> "its time had passed; the confirmation brings the link";
            case TOO_CLOSE_TO_ANOTHER -> "less than an hour from a more urgent one";
            case NO_TEXTS -> "they have not agreed to texts";
        };
    }
}
