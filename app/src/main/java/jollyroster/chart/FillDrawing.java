package jollyroster.chart;

/** Draws a fill curve: earlier runs behind, this one before them, what is foreseen ahead of it. */
final class FillDrawing {

    private static final double RIGHT = 560;
    private static final double NOT_CENTRED = 20;
    private final FillCurve curve;
    private final Svg svg = new Svg();

    FillDrawing(FillCurve curve) {
        this.curve = curve;
    }

    /** @param seats how many there are @param words the curve in a sentence */
    String markup(int seats, String words) {
        svg.begin("svg")
                .with("class", "fill")
                .with("viewBox", "0 0 " + PathData.shortest(curve.width()) + " " + PathData.shortest(curve.height()))
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        svg.path("seats", across(curve.seatsY()));
        svg.words("seats-word", RIGHT + 6, curve.seatsY() + 4, seats + " seats");
        curve.earlier().forEach(run -> svg.path("before", run));
        svg.path("may-be", curve.range());
        svg.path("ahead", curve.ahead());
        svg.path("own", curve.own());
        axis();
        svg.begin("circle")
                .with("class", "now-dot")
                .with("r", 4.5)
                .with("cx", curve.nowX())
                .with("cy", curve.nowY())
                .end();
        return svg.end("svg").toString();
    }

    private static String across(double y) {
        return new PathData().from(4, y, "H" + PathData.shortest(RIGHT)).toString();
    }

    private void axis() {
        PathData ticks = new PathData();
        curve.ticks().forEach(tick -> ticks.from(tick.x(), curve.axis(), "v4"));
        svg.path("axis", across(curve.axis()));
        svg.path("tick", ticks.toString());
        curve.ticks()
                .forEach(tick -> svg.words(
                        tick.x() < NOT_CENTRED ? "first-tick-word" : "tick-word",
                        tick.x(),
                        curve.axis() + 17,
                        tick.label()));
    }
}
