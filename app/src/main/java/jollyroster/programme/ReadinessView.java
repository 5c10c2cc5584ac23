package jollyroster.programme;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalInt;
import jollyroster.core.readiness.Finding;
import jollyroster.core.readiness.Readiness;
import jollyroster.platform.MarginNote;
import jollyroster.platform.Times;

/** Runs the readiness check over an offering and puts its findings into words. */
public final class ReadinessView {

    private ReadinessView() {}

    public static List<Finding> findings(Offering offering, List<Session> sessions, Instant now) {
        return Readiness.check(
                new Readiness.Sheet(
                        offering.status() != OfferingStatus.DRAFT,
                        offering.summary(),
                        offering.description(),
                        meets(offering),
                        offering.venue().map(Venue::roomSize).orElse(OptionalInt.empty()),
                        offering.zone(),
                        sessions.stream()
                                .filter(s -> !s.cancelled())
                                .map(s -> new Readiness.Date(s.id(), s.span(), s.seats()))
                                .toList()),
                now);
    }

    private static Readiness.Meets meets(Offering offering) {
        if (offering.venue().isEmpty()) {
            return offering.format() == Format.ONLINE
                    ? Readiness.Meets.ONLINE_WITHOUT_LINK
                    : Readiness.Meets.NOWHERE_YET;
        }
        boolean online = offering.venue().get().isOnline();
        if (online) {
            return Readiness.Meets.ONLINE_WITH_LINK;
        }
        return offering.format() == Format.ONLINE ? Readiness.Meets.ONLINE_WITHOUT_LINK : Readiness.Meets.IN_PERSON;
    }

    static MarginNote note(Finding finding, ZoneId zone) {
        String level = finding.kind().severity() == Finding.Severity.STOPS
                ? "stop"
                : finding.kind().severity() == Finding.Severity.ODD ? "odd" : "remark";
        return new MarginNote(lead(finding, zone), text(finding), action(finding), "#" + place(finding), level);
    }

    /** The finding as a short sentence, for lists. */
    public static String lead(Finding finding, ZoneId zone) {
        return switch (finding.kind()) {
            case NO_DATE -> "No date to come.";
            case NO_SEATS -> "A date has no seats.";
            case NO_VENUE -> "No venue yet.";
            case NO_LINK -> "Online, but no link.";
            case START_IN_PAST ->
                finding.count() == 1 ? "A date is in the past." : finding.count() + " dates are in the past.";
            case CLOCK_CHANGE -> "Clocks change on " + Times.day(at(finding).atZone(zone)) + ".";
            case NO_SUMMARY -> "No summary.";
            case NO_DESCRIPTION -> "Nothing said about what it covers.";
            case ROOM_TOO_SMALL -> "The room holds " + finding.count() + ".";
            case SAME_TIME_TWICE -> "Two dates overlap.";
        };
    }

    private static Instant at(Finding finding) {
        return java.util.Objects.requireNonNull(finding.at());
    }

    private static String text(Finding finding) {
        return switch (finding.kind()) {
            case NO_DATE -> "Nobody can register before there is one.";
            case NO_SEATS -> "Nobody can register for it.";
            case NO_VENUE -> "People will not know where to go.";
            case NO_LINK -> "Choose a venue with a link, or one that makes a link for each session.";
            case START_IN_PAST -> "Nobody can come to it any more.";
            case CLOCK_CHANGE ->
                Math.abs(finding.count()) + " min " + (finding.count() > 0 ? "forward" : "back")
                        + " here. People elsewhere may see the later dates at another hour; their messages say which.";
            case NO_SUMMARY -> "It stands under the title in every list.";
            case NO_DESCRIPTION -> "People decide by it.";
            case ROOM_TOO_SMALL -> "More seats are offered than fit.";
            case SAME_TIME_TWICE -> "The same people cannot come to both.";
        };
    }

    private static String action(Finding finding) {
        return switch (finding.kind().place()) {
            case SUMMARY -> "Write it";
            case DESCRIPTION -> "Describe it";
            case VENUE -> "Choose a venue";
            case SEATS -> "Set the seats";
            case DATES -> finding.kind() == Finding.Kind.CLOCK_CHANGE ? "See the dates" : "Set the dates";
        };
    }

    static String place(Finding finding) {
        return finding.kind().place().name().toLowerCase(java.util.Locale.ROOT);
    }
}
