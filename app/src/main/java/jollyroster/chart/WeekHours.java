package jollyroster.chart;

import java.util.List;

/**
 * The open hours of a week: a column a day, its stretches as bands of land. A script makes the bands to be dragged; it reads the
 * scale and the days from the drawing.
 *
 * @param days Monday first
 */
public record WeekHours(List<Day> days) {

    private static final double COLUMN = 88;
    private static final double MARGIN = 34;
    private static final double TOP = 22;
    private static final double HOUR = 15;
    private static final int MINUTES = 60;
    private static final int EARLIEST = 8;
    private static final int LATEST = 20;
    private static final int MIDNIGHT = 24;

    public WeekHours {
        days = List.copyOf(days);
    }

    /** @param iso the day the column stands for, as a form sends it */
    public record Day(String name, String iso, List<DayStrip.Stretch> stretches) {}

    /** The week as an SVG element. @param words the week in a sentence */
    public String markup(String words) {
        int first = Math.max(0, firstHour() - 1);
        int last = Math.min(MIDNIGHT, lastHour() + 1);
        double floor = TOP + (last - first) * HOUR;
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "week-hours")
                .with(
                        "viewBox",
                        "0 0 " + PathData.shortest(MARGIN + COLUMN * days.size()) + " " + PathData.shortest(floor + 6))
                .with("role", "group")
                .with("aria-label", words)
                .with("data-first", first * MINUTES)
                .with("data-last", last * MINUTES)
                .with("data-top", TOP)
                .with("data-hour", HOUR)
                .inside();
        PathData lines = new PathData();
        for (int hour = first; hour <= last; hour++) {
            double y = TOP + (hour - first) * HOUR;
            lines.from(MARGIN, y, "h" + PathData.shortest(COLUMN * days.size()));
            if ((hour - first) % 2 == 1) {
                svg.words("hour", MARGIN - 6, y + 4, "%02d".formatted(hour));
            }
        }
        svg.path("hours", lines.toString());
        for (int i = 0; i < days.size(); i++) {
            column(svg, days.get(i), MARGIN + i * COLUMN, first, floor);
        }
        return svg.end("svg").toString();
    }

    private static void column(Svg svg, Day day, double x, int first, double floor) {
        svg.begin("g").with("data-day", day.iso()).with("data-name", day.name()).inside();
        svg.words("day", x + COLUMN / 2, TOP - 7, day.name());
        svg.begin("rect")
                .with("class", "column")
                .with("x", x)
                .with("y", TOP)
                .with("width", COLUMN)
                .with("height", floor - TOP)
                .end();
        for (DayStrip.Stretch some : day.stretches()) {
            double y = TOP + (some.from() - first * MINUTES) * HOUR / MINUTES;
            svg.begin("rect")
                    .with("class", "band")
                    .with("x", x + 4)
                    .with("y", y)
                    .with("width", COLUMN - 8)
                    .with("height", (some.until() - some.from()) * HOUR / MINUTES)
                    .with("data-from", some.from())
                    .with("data-until", some.until())
                    .end();
        }
        svg.end("g");
    }

    private int firstHour() {
        return Math.min(
                EARLIEST,
                days.stream()
                                .flatMap(day -> day.stretches().stream())
                                .mapToInt(DayStrip.Stretch::from)
                                .min()
                                .orElse(EARLIEST * MINUTES)
                        / MINUTES);
    }

    private int lastHour() {
        int latest = days.stream()
                .flatMap(day -> day.stretches().stream())
                .mapToInt(DayStrip.Stretch::until)
                .max()
                .orElse(0);
        return Math.max(LATEST, (latest + MINUTES - 1) / MINUTES);
    }
}
