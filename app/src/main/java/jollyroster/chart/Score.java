package jollyroster.chart;

import java.time.Instant;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;

/**
 * A rehearsal: a lane a person, with what they get at its time.
 *
 * @param hours of the session
 * @param head where the playhead stands
 * @param headWords what it says
 */
public record Score(DoorHours hours, Instant head, String headWords, List<Lane> lanes, List<Event> events) {

    private static final double LEFT = 190;
    private static final double TOP = 34;
    private static final double HEIGHT = 56;
    private static final double SHARE = 0.78;
    private static final double LETTER = 18;

    /**
     * A lane.
     *
     * @param who by name
     * @param what they do, in words
     * @param calm when they are left alone
     */
    public record Lane(String who, String what, List<Interval> calm, List<Mark> marks) {}

    /**
     * A message.
     *
     * @param address that opens it
     * @param words of it
     * @param goes whether it goes
     * @param open whether it is open
     * @param text whether it is a text
     */
    public record Mark(Instant at, String address, String words, boolean goes, boolean open, boolean text) {}

    /** Something that happens. */
    public record Event(Instant at, String words) {}

    /** The moment at a place of the drawing, from its left edge. */
    public static Instant at(DoorHours hours, double x) {
        return RunLine.at(hours, (x - LEFT) / SHARE);
    }

    private double x(Instant at) {
        return LEFT + RunLine.x(hours, at) * SHARE;
    }

    private static double floor(int lane) {
        return TOP + HEIGHT * (lane + 1);
    }

    /** The score as an SVG element. */
    public String markup() {
        double foot = floor(lanes.size() - 1);
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "score")
                .with("viewBox", "0 0 880 " + PathData.shortest(foot + 26))
                .with("role", "group")
                .with("aria-label", "The messages of each on a line of time; in words below")
                .inside();
        for (int i = 0; i < lanes.size(); i++) {
            lane(svg, lanes.get(i), floor(i));
        }
        axis(svg, foot);
        events.forEach(event -> event(svg, event, foot));
        head(svg, foot);
        return svg.end("svg").toString();
    }

    private void lane(Svg svg, Lane lane, double floor) {
        svg.words("who", 0, floor - 24, lane.who());
        svg.words("what", 0, floor - 8, lane.what());
        PathData calm = new PathData();
        lane.calm().forEach(span -> calm.box(x(span.start()), floor - 40, x(span.end()) - x(span.start()), 40));
        svg.path("calm", calm.toString());
        double start = x(hours.start());
        svg.path(
                "session",
                new PathData()
                        .box(start, floor - 17, x(hours.end()) - start, 17)
                        .toString());
        svg.path("floor", new PathData().from(LEFT, floor, "H870").toString());
        lane.marks().forEach(mark -> mark(svg, mark, floor));
    }

    private void mark(Svg svg, Mark mark, double floor) {
        double x = x(mark.at());
        String code = mark.goes() ? "is-sent" : "is-withdrawn";
        svg.begin("a")
                .with("href", mark.address())
                .with("class", mark.open() ? code + " is-open" : code)
                .with("aria-label", mark.words())
                .inside();
        svg.begin("title").inside().text(mark.words()).end("title");
        svg.path(
                "stem",
                new PathData()
                        .from(x, floor - 20, "V" + PathData.shortest(floor))
                        .toString());
        svg.begin("use")
                .with("href", mark.text() ? "#text-mark" : "#letter")
                .with("x", x - LETTER / 2)
                .with("y", floor - 33)
                .with("width", LETTER)
                .with("height", 13)
                .end();
        svg.end("a");
    }

    private void axis(Svg svg, double foot) {
        PathData ticks = new PathData();
        for (RunLine.Tick tick : RunLine.axisTicks()) {
            double x = LEFT + tick.x() * SHARE;
            ticks.from(x, foot, "v5");
            svg.words("tick-word", x - 2, foot + 19, tick.label());
        }
        svg.path("floor", ticks.toString());
    }

    private void event(Svg svg, Event event, double foot) {
        svg.begin("g").inside();
        svg.begin("title").inside().text(event.words()).end("title");
        svg.path(
                "event",
                new PathData()
                        .from(x(event.at()), TOP, "V" + PathData.shortest(foot))
                        .toString());
        svg.end("g");
    }

    private void head(Svg svg, double foot) {
        double x = x(head);
        svg.path(
                "now", new PathData().from(x, 16, "V" + PathData.shortest(foot)).toString());
        svg.path("now-mark", new PathData().from(x - 5, 14, "h10l-5 8z").toString());
        boolean right = x > 620;
        svg.words(right ? "now-word is-before" : "now-word", x + (right ? -9 : 9), 20, headWords);
    }
}
