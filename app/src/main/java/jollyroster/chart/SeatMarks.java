package jollyroster.chart;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The marks of a strip, drawn as a few paths however many seats there are. They are those of the sprite, in its units: 17
 * wide and 34 high.
 */
final class SeatMarks {

    static final double UNITS_WIDE = 17;

    /** What is drawn alike, in the order in which it is drawn. */
    enum Ink {
        BAR_EMPTY,
        BAR_FREE,
        BAR_FULL,
        BAR_WAIT,
        CROSS,
        FOOT,
        FOOT_LIGHT;

        String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** @param code the class it is drawn with @param path SVG path data (SVG 2, 9.3) */
    record Layer(String code, String path) {}

    private final Map<Ink, PathData> drawn = new EnumMap<>(Ink.class);

    private SeatMarks() {}

    /** @param scale from the sprite's units to those of the marks */
    static List<Layer> layers(List<SeatStrip.Mark> marks, double scale) {
        SeatMarks all = new SeatMarks();
        marks.forEach(mark -> all.draw(mark.use(), mark.x() / scale));
        List<Layer> layers = new ArrayList<>();
        all.drawn.forEach((ink, path) -> layers.add(new Layer(ink.code(), path.toString())));
        return layers;
    }

    private void draw(SeatStrip.Use use, double x) {
        switch (use) {
            case TAKEN -> box(Ink.BAR_FULL, x + 1, 0, 15, 31);
            case COMPANION -> box(Ink.BAR_FULL, x + 1, 8, 15, 23);
            case CALLED_UP -> {
                box(Ink.BAR_EMPTY, x + 1.7, 0.7, 13.6, 30);
                box(Ink.BAR_FULL, x + 1, 16, 15, 15);
            }
            case HELD -> {
                box(Ink.BAR_EMPTY, x + 1.7, 0.7, 13.6, 30);
                line(Ink.CROSS, x + 3, 24, "h11m-11-7h11m-11-7h11");
            }
            case KEPT_BACK -> line(Ink.CROSS, x + 2, 2, "l13 28m0-28l-13 28");
            case FREE -> box(Ink.BAR_FREE, x + 1.5, 0.6, 14, 30.4);
            case WAITING -> box(Ink.BAR_WAIT, x + 1.5, 8, 14, 24);
        }
        if (use != SeatStrip.Use.WAITING) {
            box(use == SeatStrip.Use.FREE ? Ink.FOOT_LIGHT : Ink.FOOT, x, 31, UNITS_WIDE, 3);
        }
    }

    private void box(Ink ink, double x, double y, double width, double height) {
        path(ink).box(x, y, width, height);
    }

    private void line(Ink ink, double x, double y, String on) {
        path(ink).from(x, y, on);
    }

    private PathData path(Ink ink) {
        return drawn.computeIfAbsent(ink, first -> new PathData());
    }
}
