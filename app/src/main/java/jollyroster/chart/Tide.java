package jollyroster.chart;

import java.util.List;

/** How much is free on days that follow one another, as a tide over them. @param days what is free on each */
public record Tide(List<Day> days) {

    /** As many columns as a table under it has. */
    private static final int COLUMNS = 7;

    private static final double COLUMN = 100;
    private static final double TOP = 22;
    private static final double FLOOR = 78;

    public Tide {
        days = List.copyOf(days);
    }

    /** @param words beside the tide: {@code 5 free}, {@code none left}, {@code closed} */
    public record Day(int free, String words) {}

    /** The tide as an SVG element. @param words the tide in a sentence */
    public String markup(String words) {
        double width = COLUMN * days.size();
        double whole = COLUMN * Math.max(COLUMNS, days.size());
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "tide-line")
                .with("viewBox", "0 0 " + PathData.shortest(whole) + " 80")
                .with("role", "img")
                .with("aria-label", words)
                .inside();
        String line = line(width);
        svg.path("water", line + "V80H0z");
        svg.path("surface", line);
        for (int i = 0; i < days.size(); i++) {
            svg.words(
                    "level", (i + 0.5) * COLUMN, y(days.get(i)) - 8, days.get(i).words());
        }
        return svg.end("svg").toString();
    }

    /** One day of it as a bar, drawn against the day that has most. */
    public static String bar(int free, int most) {
        double width = most == 0 ? 0 : COLUMN * free / most;
        return new Svg()
                .begin("svg")
                .with("class", "tide-bar")
                .with("viewBox", "0 0 100 8")
                .with("preserveAspectRatio", "none")
                .with("aria-hidden", "true")
                .inside()
                .path("water", "M0 0H" + PathData.shortest(width) + "V7H0z")
                .path("surface", "M0 7H100")
                .end("svg")
                .toString();
    }

    /** From the middle of each day to that of the next, level at both. */
    private String line(double width) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < days.size(); i++) {
            double x = i * COLUMN + COLUMN / 2;
            double y = y(days.get(i));
            if (i == 0) {
                path.append("M0 ").append(PathData.shortest(y)).append('H').append(PathData.shortest(x));
            } else {
                path.append('C')
                        .append(PathData.shortest(x - COLUMN / 2))
                        .append(' ')
                        .append(PathData.shortest(y(days.get(i - 1))))
                        .append(' ')
                        .append(PathData.shortest(x - COLUMN / 2))
                        .append(' ')
                        .append(PathData.shortest(y))
                        .append(' ')
                        .append(PathData.shortest(x))
                        .append(' ')
                        .append(PathData.shortest(y));
            }
        }
        return path.append('H').append(PathData.shortest(width)).toString();
    }

    private double y(Day day) {
        int most = Math.max(1, days.stream().mapToInt(Day::free).max().orElse(1));
        return FLOOR - (FLOOR - TOP) * day.free() / most;
    }
}
