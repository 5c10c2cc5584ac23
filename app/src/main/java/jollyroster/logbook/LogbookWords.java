package jollyroster.logbook;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import jollyroster.platform.Facts;
import jollyroster.platform.Times;

/** What an entry of the logbook says, in words. */
final class LogbookWords {

    private LogbookWords() {}

    static String of(LogbookEntry entry, Facts f) {
        return switch (entry) {
            case SEATED, RESTORED ->
                seats(f, "free seat") + (f.is("held") ? ", held until confirmed or paid" : ", nobody was before them");
            case PICKED -> "led by " + f.text("hosts") + ", " + because(f.text("because"));
            case GIVEN_BACK -> "nobody has it any more; it may be picked again";
            case WAITLISTED -> "place " + f.number("place") + ": " + waits(f);
            case SEATED_FROM_LINE -> "first in line whose party of " + f.number("party") + " fitted";
            case SEATED_ANYWAY ->
                f.text("why") + (f.number("over") > 0 ? "; " + f.number("over") + " over the seats" : "");
            case CALLED_UP -> calledUp(f);
            case CONFIRMED -> seats(f, "seat") + " held until then";
            case ACCEPTED -> seats(f, "seat") + (f.is("held") ? ", held until paid for or confirmed" : ", in time");
            case DECLINED -> seats(f, "seat") + " freed; left the line";
            case OUTRUN -> "others answered first and too few seats are left; keeps the place in line";
            case RAN_OUT -> ranOut(f);
            case AMENDED -> amended(f);
            case SWAP_OFFERED -> "for " + when(f, "to");
            case PASSED_OVER -> passedOver(f);
            case CANCELLED -> cancelled(f);
            case RESIZED ->
                "from " + f.number("from") + " to " + f.number("to")
                        + (f.text("why").isEmpty() ? "" : "; over-full: " + f.text("why"));
            case CHANGED_DATE -> changedDate(f);
            case ADDED -> added(f);
            case REPLIED -> replied(f);
            case PAID, MONEY_BACK, MONEY_KEPT, REFUNDED -> f.text("amount");
            case CORRECTED ->
                f.is("name") && f.is("email") ? "name and e-mail address" : f.is("name") ? "name" : "e-mail address";
            case MERGED -> "was registered under another address";
            case WROTE -> "to " + count(f.number("people"), "person", "people") + ": " + f.text("subject");
            case SESSION_CHANGED, CALLED_OFF -> f.text("what").isEmpty() ? SessionChange.words(f) : f.text("what");
            case UNDONE -> "as it was before";
            case GUEST_LINK ->
                "of the " + f.text("of") + (f.is("renewed") ? "; the one before is not valid any more" : "");
            case CHECKED_IN -> checkedIn(f);
            case HOST_LINK -> f.text("who") + ": " + f.text("what");
            case AT_THE_DOOR ->
                f.text("who") + " " + decided(f.text("decision"))
                        + (f.text("word").isEmpty() ? "" : ": “" + f.text("word") + "”");
            case DOOR_MOVED -> f.text("what");
            case RECOGNISED -> "came as a guest";
            case HAND_MARK ->
                f.text("verdict").isEmpty()
                        ? "as the evidence says"
                        : f.text("verdict").toLowerCase(Locale.ROOT);
        };
    }

    private static String checkedIn(Facts f) {
        String who = f.number("place") == 0 ? "" : "companion " + f.number("place");
        return f.is("in") ? who : (who + " taken back").strip();
    }

    private static String decided(String decision) {
        return switch (decision) {
            case "ADMIT" -> "was let in";
            case "ASK_TO_WAIT" -> "was asked to wait";
            case "TURN_AWAY" -> "was turned away";
            default -> "was barred";
        };
    }

    private static String because(String why) {
        return switch (why) {
            case "CHOSEN" -> "whom the person chose";
            case "AS_THE_LINK_SAYS" -> "whom their link names";
            case "ONLY_ONE_FREE" -> "the only one who was free";
            case "TOGETHER" -> "who lead it together";
            default -> "who leads least that week of those who were free";
        };
    }

    private static String count(int number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }

    private static String seats(Facts f, String seat) {
        return count(f.number("party"), seat, seat + "s");
    }

    private static String waits(Facts f) {
        return f.text("because").equals("DOES_NOT_FIT")
                ? "fewer seats were free than the party of " + f.number("party") + " needs"
                : "the free seats are owed to a party that was passed over twice";
    }

    private static String when(Facts f, String name) {
        Optional<Instant> at = f.time(name);
        return at.map(t -> Times.dayAndTime(t, zone(f))).orElse("another date");
    }

    private static ZoneId zone(Facts f) {
        return Times.zone(f.text("zone")).orElse(ZoneId.of("UTC"));
    }

    private static String calledUp(Facts f) {
        String until = when(f, "until") + " " + Times.city(zone(f)) + " time";
        return f.is("race")
                ? "seats came free shortly before the start: whoever answers first has them; by " + until
                : "first in line whose party of " + f.number("party") + " fits; seats held until " + until;
    }

    private static String ranOut(Facts f) {
        String why = f.is("called")
                ? "the time to reply ran out"
                : f.is("unpaid") ? "the time to pay ran out" : "the time to confirm ran out";
        Duration late = Duration.ofSeconds(f.number("late"));
        String seen = late.toMinutes() > 0 ? ", seen " + Times.length(late) + " later" : "";
        String kept = f.text("state").equals("REGISTERED") ? "; " + seats(f, "seat") + " paid for stay" : "";
        int freed = f.number("before") - (kept.isEmpty() ? 0 : f.number("party"));
        return why + seen + "; " + count(freed, "seat", "seats") + " freed" + kept;
    }

    private static String amended(Facts f) {
        if (f.number("party") == f.number("before")) {
            return "answers or companions";
        }
        String due = f.is("held") ? ", held until paid for" : "";
        return "from " + f.number("before") + " to " + count(f.number("party"), "person", "people") + due;
    }

    private static String passedOver(Facts f) {
        String why = f.number("by") > 0
                ? "a party of " + f.number("by") + " fitted into the free seats"
                : "more people than freed seats";
        return why + "; passed over now: " + f.number("times");
    }

    private static String cancelled(Facts f) {
        String freed = f.is("waited") ? f.number("party") + " waiting" : seats(f, "seat") + " freed";
        return f.text("why").isEmpty() ? freed : freed + "; says: " + f.text("why");
    }

    private static String changedDate(Facts f) {
        String swap = f.is("swap") ? ", by swapping" : "";
        return f.text("to").isEmpty() ? "from " + when(f, "from") + swap : "to " + when(f, "to") + swap;
    }

    private static String added(Facts f) {
        return f.text("state").equals("WAITLISTED")
                ? "waits in line"
                : seats(f, "seat") + (f.is("keptBack") ? ", kept-back ones among them" : "");
    }

    private static String replied(Facts f) {
        String people = f.text("reply").equals("yes") ? ", " + count(f.number("party"), "person", "people") : "";
        String waits = f.text("state").equals("WAITLISTED") ? "; waits, as too few seats are free" : "";
        return f.text("reply") + people + waits;
    }
}
