package jollyroster.chart;

import java.util.List;

/** When somebody was there, drawn against a session's window, with the share that counts as attended. */
public record PresenceBar(List<Span> spans) {

    private static final double WIDTH = 100;
    private static final double HEIGHT = 12;
    private static final double THRESHOLD = 75;

    public PresenceBar {
        spans = List.copyOf(spans);
    }

    /** In per cent of the window. */
    public record Span(double x, double width) {}

    /** The bar as an SVG element; empty for nobody seen. @param words the bar in a sentence */
    public String markup(String words) {
        if (spans.isEmpty()) {
            return "";
        }
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "presence")
                .with("viewBox", "0 0 100 12")
                .with("preserveAspectRatio", "none")
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        PathData seen = new PathData();
        spans.forEach(span -> seen.box(span.x(), 1, span.width(), HEIGHT - 2));
        svg.path("window", new PathData().box(0, 0, WIDTH, HEIGHT).toString());
        svg.path("span", seen.toString());
        svg.path("threshold", new PathData().from(THRESHOLD, 0, "v12").toString());
        return svg.end("svg").toString();
    }
}
