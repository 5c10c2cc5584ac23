package jollyroster.chart;

import java.util.List;

/**
 * What became of the open hours of some weeks, a column a week: given as full, taken up otherwise as hatched land, idle as hollow.
 *
 * @param passed how many of the weeks have passed; the line of now stands after them
 */
public record WeeksUsed(List<Week> weeks, int passed) {

    private static final double COLUMN = 60;
    private static final double BAR = 44;
    private static final double FLOOR = 70;
    private static final double HIGHEST = 62;

    public WeeksUsed {
        weeks = List.copyOf(weeks);
    }

    /** @param name of the week, short @param given in minutes @param otherwise in minutes @param open in minutes */
    public record Week(String name, long given, long otherwise, long open) {}

    /** The weeks as an SVG element. @param words the same in a sentence */
    public String markup(String words) {
        long most = Math.max(1, weeks.stream().mapToLong(Week::open).max().orElse(1));
        double width = COLUMN * weeks.size();
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "weeks-used")
                .with("viewBox", "0 0 " + PathData.shortest(width) + " 90")
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        PathData open = new PathData();
        PathData given = new PathData();
        PathData otherwise = new PathData();
        for (int i = 0; i < weeks.size(); i++) {
            Week week = weeks.get(i);
            double x = i * COLUMN + (COLUMN - BAR) / 2;
            double whole = HIGHEST * week.open() / most;
            double full = HIGHEST * week.given() / most;
            double other = HIGHEST * week.otherwise() / most;
            open.box(x, FLOOR - whole, BAR, whole);
            given.box(x, FLOOR - full, BAR, full);
            otherwise.box(x, FLOOR - full - other, BAR, other);
            svg.words("week", x + BAR / 2, FLOOR + 15, week.name());
        }
        svg.path("idle", open.toString())
                .path("otherwise", otherwise.toString())
                .path("given", given.toString());
        svg.path(
                "now",
                new PathData()
                        .from(passed * COLUMN, 4, "V" + PathData.shortest(FLOOR))
                        .toString());
        return svg.end("svg").toString();
    }
}
