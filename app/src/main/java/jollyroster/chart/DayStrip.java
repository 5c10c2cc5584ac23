package jollyroster.chart;

import java.util.List;

/**
 * One day of open hours as a strip: the hours as land, each start that may be picked a full bar, each other a hollow one.
 *
 * @param hours open stretches, in minutes after midnight
 * @param starts in order
 */
public record DayStrip(List<Stretch> hours, List<Start> starts) {

    private static final double WIDTH = 720;
    private static final double TOP = 4;
    private static final double FLOOR = 30;
    private static final double BAR = 4;
    private static final int HOUR = 60;

    public DayStrip {
        hours = List.copyOf(hours);
        starts = List.copyOf(starts);
    }

    /** In minutes after midnight. */
    public record Stretch(int from, int until) {}

    /** @param minute after midnight, on the clock of the offering */
    public record Start(int minute, boolean offered) {}

    /** The strip as an SVG element; empty for a day that is closed. @param words the strip in a sentence */
    public String markup(String words) {
        if (hours.isEmpty()) {
            return "";
        }
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "day-strip")
                .with("viewBox", "0 0 720 48")
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        PathData land = new PathData();
        hours.forEach(some -> land.box(x(some.from()), TOP, x(some.until()) - x(some.from()), FLOOR - TOP));
        svg.path("land", land.toString());
        svg.path("bar-full", bars(true));
        svg.path("bar-free", bars(false));
        svg.path("floor", new PathData().from(0, FLOOR, "h720").toString());
        for (int hour = first(); hour <= last(); hour += 1) {
            svg.words("hour", x(hour * HOUR), FLOOR + 14, "%02d".formatted(hour));
        }
        return svg.end("svg").toString();
    }

    private String bars(boolean offered) {
        PathData bars = new PathData();
        starts.stream()
                .filter(start -> start.offered() == offered)
                .forEach(start -> bars.box(x(start.minute()) + 1, TOP + 8, BAR, FLOOR - TOP - 8));
        return bars.toString();
    }

    private int first() {
        return hours.stream().mapToInt(Stretch::from).min().orElse(0) / HOUR;
    }

    private int last() {
        return (hours.stream().mapToInt(Stretch::until).max().orElse(HOUR) + HOUR - 1) / HOUR;
    }

    private double x(int minute) {
        return (minute - first() * HOUR) * (WIDTH - 20) / ((last() - first()) * HOUR);
    }
}
