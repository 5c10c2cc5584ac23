package jollyroster.programme;

import java.time.Duration;
import java.util.OptionalInt;
import java.util.Set;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.Stretch;
import jollyroster.core.openhours.TimeRules;

/**
 * How people pick a time of an offering in open hours.
 *
 * @param gridMinutes from one start to the next, 5 to 1440; empty for one time after the other
 * @param daily the most times a host gives in a day; empty for no limit
 * @param weekly the most in a week; empty for no limit
 * @param takenShown whether people see what is taken
 * @param each how many times to come one person may hold
 * @param ignored calendars of hosts that do not count here; all others do
 * @param stopsUnread whether no times of a host are offered while a calendar that counts cannot be read
 */
public record OwnTime(
        OpenHours hours,
        OptionalInt gridMinutes,
        OptionalInt daily,
        OptionalInt weekly,
        HostChoice choice,
        boolean takenShown,
        int each,
        Set<Long> ignored,
        boolean stopsUnread) {

    public OwnTime {
        ignored = Set.copyOf(ignored);
    }

    /** No hours yet. */
    public static final OwnTime NONE = new OwnTime(
            OpenHours.NONE,
            OptionalInt.empty(),
            OptionalInt.empty(),
            OptionalInt.empty(),
            HostChoice.WHOEVER_IS_FREE,
            false,
            1,
            Set.of(),
            false);

    private static final int SHORTEST = 5;

    public static OwnTime in(OpenHours hours) {
        return NONE.within(hours);
    }

    public OwnTime within(OpenHours other) {
        return new OwnTime(other, gridMinutes, daily, weekly, choice, takenShown, each, ignored, stopsUnread);
    }

    public OwnTime ledBy(HostChoice other) {
        return new OwnTime(hours, gridMinutes, daily, weekly, other, takenShown, each, ignored, stopsUnread);
    }

    public OwnTime showingTaken() {
        return new OwnTime(hours, gridMinutes, daily, weekly, choice, true, each, ignored, stopsUnread);
    }

    public OwnTime atMost(OptionalInt aDay, OptionalInt aWeek) {
        return new OwnTime(hours, gridMinutes, aDay, aWeek, choice, takenShown, each, ignored, stopsUnread);
    }

    /** So many times to come for one person. */
    public OwnTime forEach(int times) {
        return new OwnTime(hours, gridMinutes, daily, weekly, choice, takenShown, times, ignored, stopsUnread);
    }

    public OwnTime ignoring(Set<Long> calendars) {
        return new OwnTime(hours, gridMinutes, daily, weekly, choice, takenShown, each, calendars, stopsUnread);
    }

    /** Offers no times of a host of whom nobody knows what else is on. */
    public OwnTime stoppingUnread() {
        return new OwnTime(hours, gridMinutes, daily, weekly, choice, takenShown, each, ignored, true);
    }

    /** What may be picked, with the duration, buffers, cut-off and days ahead of the offering. */
    public TimeRules rules(Offering o) {
        int minutes = Math.max(SHORTEST, Math.min(Stretch.DAY, o.minutes()));
        OfferingRules rules = o.rules();
        return new TimeRules(
                Duration.ofMinutes(minutes),
                Duration.ofMinutes(gridMinutes.orElse(minutes)),
                Duration.ofMinutes(rules.bufferBefore()),
                Duration.ofMinutes(rules.bufferAfter()),
                o.cutOff(),
                rules.opensDays() == 0 ? OptionalInt.empty() : OptionalInt.of(rules.opensDays()),
                daily,
                weekly);
    }
}
