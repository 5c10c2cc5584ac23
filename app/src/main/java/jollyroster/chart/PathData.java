package jollyroster.chart;

/** Writes the data of an SVG path (SVG 2, 9.3), so that many things drawn alike are one element. */
final class PathData {

    private final StringBuilder text = new StringBuilder();

    /** A box, from its upper left corner. */
    PathData box(double x, double y, double width, double height) {
        return from(x, y, "h" + shortest(width) + "v" + shortest(height) + "h" + shortest(-width) + "z");
    }

    /** From a point on. @param on path data that goes on from there, relative */
    PathData from(double x, double y, String on) {
        text.append('M').append(shortest(x)).append(' ').append(shortest(y)).append(on);
        return this;
    }

    /** To a tenth, which is finer than a screen shows, and without a point where nothing is behind it. */
    static String shortest(double exact) {
        long tenths = Math.round(exact * 10);
        return tenths % 10 == 0 ? String.valueOf(tenths / 10) : String.valueOf(tenths / 10.0);
    }

    @Override
    public String toString() {
        return text.toString();
    }
}
