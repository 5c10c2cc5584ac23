package jollyroster.owntime;

import java.time.Duration;
import java.util.List;
import java.util.function.Function;
import jollyroster.chart.WeeksUsed;
import jollyroster.core.openhours.HoursUsed;
import jollyroster.platform.Times;

/** How a host's open hours are used, drawn and in a sentence. */
public record UsageView(String name, String drawing, String words) {

    static List<UsageView> of(List<UsageQueries.Used> used) {
        return used.stream().map(UsageView::of).toList();
    }

    private static UsageView of(UsageQueries.Used used) {
        List<WeeksUsed.Week> weeks = used.weeks().stream()
                .map(week -> new WeeksUsed.Week(
                        Times.dayAndMonth(week.monday()).substring(4),
                        week.used().given().toMinutes(),
                        week.used().otherwise().toMinutes(),
                        week.used().open().toMinutes()))
                .toList();
        String words = (used.asked() == 1 ? "1 time" : used.asked() + " times") + " asked for; given "
                + hours(used, HoursUsed::given) + ", taken up otherwise " + hours(used, HoursUsed::otherwise)
                + ", idle "
                + hours(used, HoursUsed::idle) + " of " + hours(used, HoursUsed::open) + ".";
        return new UsageView(
                used.host().name(),
                new WeeksUsed(weeks, UsageQueries.WEEKS_BACK).markup(used.host().name() + ": " + words),
                words);
    }

    private static String hours(UsageQueries.Used used, Function<HoursUsed, Duration> what) {
        Duration sum =
                used.weeks().stream().map(UsageQueries.Week::used).map(what).reduce(Duration.ZERO, Duration::plus);
        return sum.isZero()
                ? "none"
                : Math.round(sum.toMinutes() / 60.0) == 0 ? "under 1 h" : Math.round(sum.toMinutes() / 60.0) + " h";
    }
}
