package jollyroster.sheet;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Objects;
import jollyroster.core.readiness.Finding;
import jollyroster.platform.MarginNote;
import jollyroster.platform.Times;
import jollyroster.programme.Part;

/** Puts the findings of the readiness check into words. */
public final class ReadinessView {

    private ReadinessView() {}

    public static MarginNote note(Finding finding, ZoneId zone) {
        String level = switch (finding.kind().severity()) {
            case STOPS -> "stop";
            case ODD -> "odd";
            case REMARK -> "remark";
        };
        return new MarginNote(
                lead(finding, zone),
                text(finding, zone),
                action(finding),
                "?open=" + part(finding).code() + "#" + part(finding).code(),
                level);
    }

    /** The finding as a short sentence, for lists. */
    public static String lead(Finding finding, ZoneId zone) {
        int n = finding.count();
        return switch (finding.kind()) {
            case NO_DATE -> "No date to come.";
            case NO_HOURS -> "No open hours.";
            case NOBODY_LEADS -> "Nobody leads it.";
            case NO_SEATS ->
                switch (finding.dates()) {
                    case 0 -> "A time has no seats.";
                    case 1 -> "A date has no seats.";
                    default -> finding.dates() + " dates have no seats.";
                };
            case NO_VENUE -> "No venue yet.";
            case NO_LINK -> "Online, but no link.";
            case NO_PROVIDER -> "The meeting service is cut off.";
            case START_IN_PAST -> n == 1 ? "A date is in the past." : n + " dates are in the past.";
            case CUT_OFF_BEFORE_OPENING -> "Registration closes before it opens.";
            case LINK_FAILED -> n == 1 ? "A meeting link could not be made." : n + " meeting links could not be made.";
            case HOST_DOUBLE_BOOKED, VENUE_DOUBLE_BOOKED ->
                finding.detail() + " is double-booked"
                        + (finding.dates() == 1 ? "." : " on " + finding.dates() + " dates.");
            case NO_HOST -> n == 1 ? "A date has no host." : n + " dates have no host.";
            case NO_SUMMARY -> "No summary.";
            case NO_DESCRIPTION -> "No description.";
            case ROOM_TOO_SMALL -> "The room holds " + n + ".";
            case ROOM_LIMIT_LOW -> "The meeting lets " + n + " in.";
            case ALL_KEPT_BACK -> "Every seat is kept back.";
            case MINIMUM_ABOVE_SEATS -> "It needs " + n + " people and has fewer seats.";
            case SAME_TIME_TWICE -> "Two dates overlap.";
            case OUT_OF_ORDER -> "The series is out of order.";
            case ASLEEP -> "Most of those who came before would be asleep.";
            case ONE_OPTION -> "A question has one option.";
            case PRICE_NOT_ASKED -> "It asks yes, maybe or no, and has a price.";
            case NO_LINK_REMINDER -> "No reminder carries the link.";
            case NAME_GONE -> "Words of its messages name " + finding.detail() + ", which is no more.";
            case HOST_WITHOUT_TEXT -> finding.detail() + ".";
            case LINK_PENDING -> n == 1 ? "A meeting link is late." : n + " meeting links are late.";
            case CLOCK_CHANGE -> "Clocks change on " + Times.day(at(finding).atZone(zone)) + ".";
            case CLOCK_SHIFT -> n == 1 ? "One person sees the time move." : n + " people see the time move.";
        };
    }

    private static Instant at(Finding finding) {
        return Objects.requireNonNull(finding.at());
    }

    private static String text(Finding finding, ZoneId zone) {
        int n = finding.count();
        return switch (finding.kind()) {
            case NO_DATE -> "Nobody can register before there is one.";
            case NO_HOURS -> "Nobody can pick a time before there are some.";
            case NOBODY_LEADS -> "A time needs a host who gives it.";
            case NO_SEATS ->
                switch (finding.dates()) {
                    case 0 -> "Nobody can pick one.";
                    case 1 -> "Nobody can register for it.";
                    default -> "Nobody can register for them.";
                };
            case NO_VENUE -> "People will not know where to go.";
            case NO_LINK -> "Choose a venue with a link, or one that makes a link for each session.";
            case NO_PROVIDER ->
                "Its links are made by it. Connect it again in Setup, Connections, or choose a venue with a fixed link.";
            case START_IN_PAST -> n == 1 ? "Nobody can come to it any more." : "Nobody can come to them any more.";
            case CUT_OFF_BEFORE_OPENING -> "Nobody could ever register.";
            case LINK_FAILED -> "The meeting service was asked several times, and is asked again each hour.";
            case HOST_DOUBLE_BOOKED, VENUE_DOUBLE_BOOKED ->
                (finding.dates() == 1 ? "" : "First ") + Times.dayAndTime(at(finding), zone) + ", " + n
                        + " min, time to get ready included. See the host schedule.";
            case NO_HOST -> "Nobody is named to lead it, and nobody’s time is kept free.";
            case NO_SUMMARY -> "It stands under the title in every list.";
            case NO_DESCRIPTION -> "People decide by it.";
            case ROOM_TOO_SMALL -> "More seats are offered than fit.";
            case ROOM_LIMIT_LOW -> "More seats are offered than can come in.";
            case ALL_KEPT_BACK -> "All " + n + " seats are held for walk-ups; nobody can register.";
            case MINIMUM_ABOVE_SEATS -> "It could never run.";
            case SAME_TIME_TWICE -> "The same people cannot come to both.";
            case OUT_OF_ORDER ->
                "The date on " + Times.day(at(finding).atZone(zone)) + " comes before one that was set ahead of it.";
            case ASLEEP -> Times.dayAndTime(at(finding), zone) + " is between 23:00 and 06:00 for " + n + " of them.";
            case ONE_OPTION -> "“" + finding.detail() + "” leaves nothing to choose.";
            case PRICE_NOT_ASKED ->
                "Whoever says yes is not asked to pay. Let people register, or take the price away.";
            case NAME_GONE -> "It is left empty when they are written.";
            case HOST_WITHOUT_TEXT -> "That of the house stands in its messages.";
            case NO_LINK_REMINDER -> "People will look for it in the confirmation, days later.";
            case LINK_PENDING -> "The meeting service is asked again by itself.";
            case CLOCK_CHANGE ->
                Math.abs(n) + " min " + (n > 0 ? "forward" : "back")
                        + " here. People elsewhere may see the later dates at another hour; their messages say which.";
            case CLOCK_SHIFT ->
                "From " + Times.day(at(finding).atZone(zone)) + " on, because clocks do not change everywhere at once.";
        };
    }

    private static String action(Finding finding) {
        return switch (finding.kind()) {
            case CLOCK_CHANGE, CLOCK_SHIFT, ASLEEP, OUT_OF_ORDER -> "See the dates";
            default ->
                switch (finding.kind().place()) {
                    case SUMMARY -> "Write a summary";
                    case DESCRIPTION -> "Write the description";
                    case VENUE -> "Choose a venue";
                    case HOSTS -> "Choose a host";
                    case SEATS -> "Set the seats";
                    case REGISTRATION -> "Set it right";
                    case INTAKE -> "See the question";
                    case DATES -> "Set the dates";
                    case HOURS -> "Type the hours";
                    case MESSAGES -> "See the messages";
                };
        };
    }

    /** The section a finding stands beside. */
    static Part part(Finding finding) {
        return switch (finding.kind().place()) {
            case SUMMARY, DESCRIPTION -> Part.WORDS;
            case VENUE, HOSTS -> Part.PLACE;
            case SEATS -> Part.SEATS;
            case REGISTRATION -> finding.kind() == Finding.Kind.PRICE_NOT_ASKED ? Part.PRICE : Part.ACCESS;
            case INTAKE -> Part.ASKING;
            case DATES -> Part.DATES;
            case HOURS -> Part.HOURS;
            case MESSAGES -> Part.MESSAGES;
        };
    }
}
