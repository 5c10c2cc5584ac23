package jollyroster.chart;

import jollyroster.chart.RunLine.Mark;

/** Draws a run line: hatched hours of the session, its door, the messages as envelopes, and where now is. */
final class RunLineDrawing {

    private static final double HEIGHT = 92;
    private static final double ROW = 13;
    private static final double NEAR = 18;
    private static final double SESSION = 34;
    private static final int THREE_DAYS = 3;
    private static final int LAST_HOUR = 6;
    private static final int HATCHES = 5;
    private final RunLine line;
    private final double axis;
    private final Svg svg = new Svg();

    RunLineDrawing(RunLine line) {
        this.line = line;
        this.axis = line.axis();
    }

    String markup() {
        svg.begin("svg")
                .with(
                        "viewBox",
                        "0 0 " + PathData.shortest(line.width()) + " "
                                + PathData.shortest(HEIGHT + ROW * line.clocks().size()))
                .with(
                        "role",
                        line.marks().stream().allMatch(mark -> mark.address().isEmpty()) ? "img" : "group")
                .with(
                        "aria-label",
                        "The messages of this session, its door and its hours on a line of time; in words below")
                .inside();
        hours();
        door();
        axis();
        clocks();
        line.marks().forEach(this::mark);
        now();
        return svg.end("svg").toString();
    }

    private void hours() {
        double near = line.ticks().get(THREE_DAYS).x();
        double nearer = line.ticks().get(LAST_HOUR).x();
        svg.path("near", box(near, NEAR, nearer));
        svg.path("nearer", box(nearer, NEAR, line.closesX()));
        svg.path("session", box(line.startX(), SESSION, line.endX()));
        PathData hatch = new PathData();
        for (int i = 0; i < HATCHES; i++) {
            hatch.from(line.endX() + i * 7, axis, "l7 -32");
        }
        svg.path("overrun", hatch.toString());
        svg.words("session-word", line.startX() + 8, axis - 11, "the session");
    }

    private String box(double from, double top, double to) {
        return new PathData().box(from, top, to - from, axis - top).toString();
    }

    private void door() {
        svg.path("door", new PathData().box(line.doorX() - 5, axis - 36, 10, 36).toString());
        svg.words("door-word", line.doorX() - 9, axis - 24, "door");
    }

    private void axis() {
        PathData ticks = new PathData();
        line.ticks().forEach(tick -> ticks.from(tick.x(), axis, "v4"));
        svg.path(
                "axis",
                new PathData()
                        .from(0, axis, "h" + PathData.shortest(line.width()))
                        .toString());
        svg.path("tick", ticks.toString());
        line.ticks().forEach(tick -> svg.words("tick-word", tick.x() - 2, axis + 17, tick.label()));
    }

    /** When people are left alone, a row for each clock. */
    private void clocks() {
        double top = HEIGHT;
        for (RunLine.Clock clock : line.clocks()) {
            PathData calm = new PathData();
            for (RunLine.Stretch stretch : clock.stretches()) {
                calm.box(stretch.from(), top, stretch.to() - stretch.from(), ROW - 4);
            }
            svg.path("calm", calm.toString());
            svg.words("calm-word", 0, top + ROW - 5, clock.name());
            top += ROW;
        }
    }

    private void mark(Mark mark) {
        boolean opens = !mark.address().isEmpty();
        if (opens) {
            svg.begin("a")
                    .with("href", mark.address())
                    .with("class", "is-" + mark.code())
                    .with("aria-label", mark.label().isEmpty() ? mark.words() : mark.words() + ": " + mark.label());
        } else {
            svg.begin("g").with("class", "is-" + mark.code());
        }
        svg.inside();
        svg.begin("title").inside().text(mark.words()).end("title");
        switch (mark.kind()) {
            case MESSAGE, TEXT -> message(mark);
            case CUT_OFF -> cutOff(mark);
            case OPENS -> {}
        }
        svg.end(opens ? "a" : "g");
        if (mark.kind() == RunLine.Kind.MESSAGE || mark.kind() == RunLine.Kind.TEXT) {
            count(mark);
        }
    }

    /** Beside the link, whose name has it already. */
    private void count(Mark mark) {
        svg.begin("g").with("class", "is-" + mark.code()).inside();
        svg.words("count", mark.x() + 13, 13, mark.label());
        svg.end("g");
    }

    private void message(Mark mark) {
        svg.path(
                "stem",
                new PathData().from(mark.x(), 15, "V" + PathData.shortest(axis)).toString());
        svg.begin("use")
                .with("href", mark.kind() == RunLine.Kind.TEXT ? "#text-mark" : "#letter")
                .with("x", mark.x() - 10)
                .with("y", 2)
                .with("width", 20)
                .with("height", 14)
                .end();
    }

    private void cutOff(Mark mark) {
        svg.path(
                "cutoff",
                new PathData().from(mark.x(), 30, "V" + PathData.shortest(axis)).toString());
        svg.words("cutoff-word", mark.x() - 16, 27, mark.label());
    }

    private void now() {
        boolean atTheEnd = line.nowX() > line.width() - 40;
        svg.path(
                "now",
                new PathData()
                        .from(line.nowX(), 10, "V" + PathData.shortest(axis + 4))
                        .toString());
        svg.path("now-mark", new PathData().from(line.nowX() - 4, 8, "h8l-4 7z").toString());
        svg.words(atTheEnd ? "now-word is-before" : "now-word", line.nowX() + (atTheEnd ? -6 : 6), 31, "now");
    }
}
