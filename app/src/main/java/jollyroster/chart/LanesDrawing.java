package jollyroster.chart;

/** Draws the lanes of hosts. */
final class LanesDrawing {

    private static final String LABEL = "A lane a host; sessions can be moved with the arrow keys or dragged";
    private final HostLanes lanes;
    private final Svg svg = new Svg();

    LanesDrawing(HostLanes lanes) {
        this.lanes = lanes;
    }

    String markup() {
        svg.begin("svg")
                .with("class", "lanes")
                .with("viewBox", "0 0 " + PathData.shortest(lanes.width()) + " " + PathData.shortest(lanes.height()))
                .with("role", "group")
                .with("aria-label", LABEL)
                .inside();
        pattern();
        lanes.days().forEach(this::day);
        lanes.lanes().forEach(this::lane);
        if (lanes.nowX() >= 0) {
            line("now", lanes.nowX(), 18, lanes.nowX(), lanes.height());
        }
        return svg.end("svg").toString();
    }

    /** What is kept free is hatched. */
    private void pattern() {
        svg.begin("defs").inside();
        svg.begin("pattern")
                .with("id", "hatch")
                .with("width", 6)
                .with("height", 6)
                .with("patternUnits", "userSpaceOnUse")
                .with("patternTransform", "rotate(45)")
                .inside();
        line("hatch", 0, 0, 0, 6);
        svg.end("pattern").end("defs");
    }

    private void line(String drawnAs, double x1, double y1, double x2, double y2) {
        svg.begin("line")
                .with("class", drawnAs)
                .with("x1", x1)
                .with("y1", y1)
                .with("x2", x2)
                .with("y2", y2)
                .end();
    }

    private Svg rect(double x, double y, double width, double height) {
        return svg.begin("rect").with("x", x).with("y", y).with("width", width).with("height", height);
    }

    private void title(String words) {
        svg.begin("title").inside().text(words).end("title");
    }

    private void day(HostLanes.Day day) {
        if (day.weekend()) {
            rect(day.x(), 0, day.width(), lanes.height())
                    .with("class", "weekend")
                    .end();
        }
        line("midnight", day.x(), 20, day.x(), lanes.height());
        svg.words(day.today() ? "today" : "day", day.x() + 4, 14, day.label());
    }

    private void lane(HostLanes.Lane lane) {
        svg.begin("g").inside();
        line("lane-line", 0, lane.y(), lanes.width(), lane.y());
        svg.words("lane-name", 0, lane.y() + 24, lane.name());
        svg.words("lane-note", 0, lane.y() + 40, lane.note());
        lane.open().forEach(this::open);
        lane.busy().forEach(this::busy);
        lane.bars().forEach(this::bar);
        lane.clashes().forEach(this::clash);
        svg.end("g");
    }

    private void open(HostLanes.OpenBox open) {
        svg.begin("a")
                .with("class", "open-hours")
                .with("href", "/desk/offerings/" + open.offering() + "#hours")
                .with("data-offering", open.offering())
                .with("data-day", open.day().toString())
                .with("data-from", open.from())
                .with("data-until", open.until())
                .with("aria-label", open.words())
                .inside();
        title(open.words());
        rect(open.x(), open.y(), open.width(), open.height()).end();
        svg.end("a");
    }

    private void busy(HostLanes.Box box) {
        rect(box.x(), box.y(), box.width(), box.height()).with("class", "busy").inside();
        title(box.words());
        svg.end("rect");
    }

    private void bar(HostLanes.Bar bar) {
        svg.begin("a")
                .with("class", "held tint-" + bar.tint())
                .with("href", "/desk/sessions/" + bar.session())
                .with("data-session", bar.session())
                .with("data-start", bar.start())
                .inside();
        title(bar.words());
        rect(bar.paddedX(), bar.y() + 5, bar.paddedWidth(), bar.height() - 10)
                .with("class", "buffer")
                .end();
        rect(bar.x(), bar.y(), bar.width(), bar.height())
                .with("class", "bar tinted")
                .end();
        if (!bar.title().isEmpty()) {
            svg.begin("svg")
                    .with("x", bar.x())
                    .with("y", bar.y())
                    .with("width", bar.width())
                    .with("height", bar.height())
                    .inside();
            svg.words("bar-title", 4, 17, bar.title()).end("svg");
        }
        if (!bar.time().isEmpty()) {
            svg.words("bar-time", bar.x(), bar.y() + bar.height() + 13, bar.time());
        }
        svg.end("a");
    }

    private void clash(HostLanes.Clash clash) {
        svg.begin("g").with("class", "clash").inside();
        rect(clash.x(), clash.y(), clash.width(), clash.height()).end();
        svg.begin("text")
                .with("x", clash.x() + clash.width() + 3)
                .with("y", clash.y() + 9)
                .inside();
        svg.text(clash.label()).end("text").end("g");
    }
}
