package jollyroster.chart;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import jollyroster.core.dates.Interval;

/** Who was in a meeting and when: a line a person, from its start to its end. */
public final class StaysDrawing {

    private static final double WIDTH = 300;
    private static final double LANE = 7;
    private static final int MOST = 16;

    private StaysDrawing() {}

    /** Somebody in it. @param leads drawn apart */
    public record Lane(String name, boolean leads, List<Interval> stays) {}

    /** @param words the drawing in a sentence */
    public static String of(Interval whole, List<Lane> lanes, String words) {
        List<Lane> drawn = lanes.subList(0, Math.min(MOST, lanes.size()));
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "stays")
                .with("viewBox", String.format(Locale.ROOT, "0 0 300 %d", (int) (drawn.size() * LANE)))
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        double perSecond = WIDTH / Math.max(1, whole.length().toSeconds());
        for (int i = 0; i < drawn.size(); i++) {
            lane(svg, drawn.get(i), i * LANE, whole, perSecond);
        }
        return svg.end("svg").toString();
    }

    private static void lane(Svg svg, Lane lane, double top, Interval whole, double perSecond) {
        PathData stays = new PathData();
        lane.stays()
                .forEach(stay -> stays.box(
                        seconds(whole, stay) * perSecond,
                        top + 1,
                        Math.max(1.5, stay.length().toSeconds() * perSecond),
                        LANE - 2));
        svg.path("base", new PathData().from(0, top + LANE / 2, "h300").toString());
        svg.begin("g").inside();
        svg.begin("title").inside().text(lane.name()).end("title");
        svg.path(lane.leads() ? "leads" : "stay", stays.toString());
        svg.end("g");
    }

    private static long seconds(Interval whole, Interval stay) {
        return Duration.between(whole.start(), stay.start()).toSeconds();
    }
}
