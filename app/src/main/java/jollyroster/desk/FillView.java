package jollyroster.desk;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.chart.FillCurve;
import jollyroster.core.foresight.Course;
import jollyroster.core.foresight.FillForecast;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Session;

/**
 * How a session fills, drawn and in words.
 *
 * @param pace against earlier runs; empty when there are none
 * @param forecast in words; empty when too little is known
 */
public record FillView(FillCurve curve, int seats, String pace, String forecast, String taken) {

    /** The drawing. */
    public String markup() {
        return curve.markup(seats, taken + ". " + pace + " " + forecast);
    }

    /** Empty when there is nothing to draw yet. */
    static Optional<FillView> of(SessionFacts facts) {
        Session s = facts.session();
        boolean picked = s.offering().style() == SignUpStyle.OWN_TIME;
        if (picked
                || s.seats() == 0
                || facts.own().steps().isEmpty() && facts.earlier().isEmpty()) {
            return Optional.empty();
        }
        int hours = (int)
                Math.max(0, Duration.between(facts.now(), s.registersFor()).toHours());
        int now = facts.own().at(hours == 0 ? 0 : hours - 1);
        List<FillForecast.Run> runs =
                facts.earlier().stream().map(course -> course.run(hours)).toList();
        int open = s.seats() - s.keptBack();
        Optional<FillForecast> forecast =
                hours == 0 || s.cancelled() ? Optional.empty() : FillForecast.of(runs, now, open);
        FillCurve curve = FillCurve.of(
                facts.earlier().stream().map(FillView::run).toList(),
                run(facts.own()),
                hours,
                s.seats(),
                forecast.map(f -> new FillCurve.Ahead(f.expected(), f.low(), f.high()))
                        .orElse(null));
        return Optional.of(new FillView(
                curve,
                s.seats(),
                hours == 0
                        ? ""
                        : FillForecast.pace(runs, now).map(FillView::pace).orElse(""),
                forecast.map(f -> words(f, runs.size())).orElse(""),
                now + " of " + s.seats() + " registered"));
    }

    private static FillCurve.Run run(Course course) {
        return new FillCurve.Run(course::at, course.begins());
    }

    static String pace(double more) {
        long seats = Math.round(Math.abs(more));
        if (seats == 0) {
            return "As many as earlier dates had by now.";
        }
        return seats + (more > 0 ? " more" : " fewer") + " than earlier dates had by now.";
    }

    private static String words(FillForecast f, int runs) {
        String range =
                number(f.low()).equals(number(f.high())) ? "" : ", from " + number(f.low()) + " to " + number(f.high());
        return "Forecast: " + number(f.expected()) + " at the start" + range + " (from " + runs + " earlier "
                + (runs == 1 ? "date)" : "dates)") + (f.capped() ? "; there are no more seats than that." : ".");
    }

    private static String number(double seats) {
        return String.format(Locale.ENGLISH, "%.0f", seats);
    }
}
