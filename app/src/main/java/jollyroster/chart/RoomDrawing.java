package jollyroster.chart;

/** Who is inside, who waits at the door and who is missing, as bars of seats in rows. */
public final class RoomDrawing {

    private static final int IN_A_ROW = 83;
    private static final int MOST = IN_A_ROW * 3;
    private static final double STEP = 10.7;
    private static final double WIDTH = 8;
    private static final double ROW = 26;
    private static final double TALL = 20;

    private final int perBar;
    private final Svg svg = new Svg();
    private int next;

    private RoomDrawing(int people) {
        this.perBar = Math.max(1, (people + MOST - 1) / MOST);
    }

    /** As it stands in a page. */
    public static String of(int inside, int waiting, int missing) {
        int people = inside + waiting + missing;
        RoomDrawing drawing = new RoomDrawing(people);
        return drawing.markup(inside, waiting, missing);
    }

    private String markup(int inside, int waiting, int missing) {
        int bars = bars(inside) + bars(waiting) + bars(missing);
        int rows = Math.max(1, (bars + IN_A_ROW - 1) / IN_A_ROW);
        svg.begin("svg")
                .with("viewBox", "0 0 " + PathData.shortest(IN_A_ROW * STEP) + " " + PathData.shortest(rows * ROW))
                .with("class", "crowd")
                .with("role", "img")
                .with("aria-label", inside + " inside, " + waiting + " waiting, " + missing + " missing")
                .inside();
        draw("inside", bars(inside));
        draw("waiting", bars(waiting));
        draw("missing", bars(missing));
        return svg.end("svg").toString();
    }

    private int bars(int people) {
        return (people + perBar - 1) / perBar;
    }

    private void draw(String drawnAs, int bars) {
        PathData path = new PathData();
        for (int i = 0; i < bars; i++, next++) {
            path.box(next % IN_A_ROW * STEP + 0.5, next / IN_A_ROW * ROW + 1, WIDTH, TALL);
        }
        if (bars > 0) {
            svg.path(drawnAs, path.toString());
        }
    }
}
