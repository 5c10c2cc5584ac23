package jollyroster.owntime;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.Unoffered;
import jollyroster.platform.Times;

/** Why a time cannot be picked, in words, and where that could be changed. */
final class DayWords {

    private final long offering;
    private final ZoneId zone;
    private final Map<Claim, String> names;

    DayWords(long offering, ZoneId zone, Map<Claim, String> names) {
        this.offering = offering;
        this.zone = zone;
        this.names = names;
    }

    /** @param action what can be done about it; empty for nothing but waiting @param address where */
    public record Reason(String words, String action, String address) {}

    /** What is in the way, if anything is. */
    static Optional<Claim> claim(Unoffered why) {
        if (why instanceof Unoffered.Taken taken) {
            return Optional.of(taken.by());
        }
        return why instanceof Unoffered.Buffer buffer ? Optional.of(buffer.by()) : Optional.empty();
    }

    /** @param at the time that cannot be picked */
    Reason of(Unoffered why, Instant at) {
        if (why instanceof Unoffered.Taken taken) {
            return concerning(taken.by(), taken(taken.by()));
        }
        if (why instanceof Unoffered.Buffer buffer) {
            return concerning(buffer.by(), buffer(buffer.by(), at));
        }
        if (why instanceof Unoffered.Closed closed) {
            return hours(closed(closed.source()));
        }
        if (why instanceof Unoffered.OffGrid off) {
            return hours("No start of the grid; the one before is " + time(off.nearest()) + ".");
        }
        if (why instanceof Unoffered.TooLong tooLong) {
            return hours("It would last beyond the hours, which end " + time(tooLong.closes()) + ".");
        }
        if (why instanceof Unoffered.CutOff cut) {
            return access("It could be picked until " + Times.dayAndTime(cut.closed(), zone) + ".");
        }
        if (why instanceof Unoffered.TooFarAhead far) {
            return access("Too far ahead: today up to " + Times.dayAndMonth(far.last()) + ".");
        }
        return why instanceof Unoffered.DailyLimit daily
                ? hours("No more that day: " + count(daily.times()) + " already.")
                : hours("No more that week: " + count(((Unoffered.WeeklyLimit) why).times()) + " already.");
    }

    private static String count(int times) {
        return times == 1 ? "1 time" : times + " times";
    }

    private static String closed(OpenHours.Source source) {
        return switch (source) {
            case WEEKLY -> "Closed by the hours of that weekday.";
            case EXCEPTION -> "Closed: that day differs from its weekday.";
            case OUT_OF_RANGE -> "Before the first day or after the last.";
        };
    }

    private String taken(Claim claim) {
        return switch (claim.kind()) {
            case SESSION ->
                "In “" + names.getOrDefault(claim, "") + "”, "
                        + time(claim.span().start()) + "–" + time(claim.span().end()) + ".";
            case BUSY -> "Busy until " + time(claim.span().end()) + ", says “" + names.getOrDefault(claim, "") + "”.";
            case UNREAD -> "“" + names.getOrDefault(claim, "") + "” could not be read for an hour.";
            case HELD -> "Held until " + names.getOrDefault(claim, "") + " for somebody who fills in the form.";
        };
    }

    private String buffer(Claim claim, Instant at) {
        if (claim.kind() == Claim.Kind.HELD) {
            return "Kept free beside " + time(claim.span().start()) + ". " + taken(claim);
        }
        boolean before = claim.span().start().isAfter(at);
        return before
                ? "Kept free before “" + names.getOrDefault(claim, "") + "” at "
                        + time(claim.span().start()) + "."
                : "Kept free after “" + names.getOrDefault(claim, "") + "”, which ends "
                        + time(claim.span().end()) + ".";
    }

    private String time(Instant at) {
        return Times.time(at.atZone(zone));
    }

    private static Reason concerning(Claim claim, String words) {
        return switch (claim.kind()) {
            case SESSION -> new Reason(words, "See the session", "/desk/sessions/" + claim.id());
            case BUSY, UNREAD -> new Reason(words, "See the calendars", "/desk/setup/calendars");
            case HELD -> new Reason(words, "", "");
        };
    }

    private Reason hours(String words) {
        return new Reason(words, "Change the hours", "/desk/offerings/" + offering + "?open=hours#hours");
    }

    private Reason access(String words) {
        return new Reason(words, "Change who may come", "/desk/offerings/" + offering + "?open=access#access");
    }
}
