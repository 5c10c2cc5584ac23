package jollyroster.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntUnaryOperator;

/**
 * Seats taken against the days before the start: earlier runs behind, this one before them, and what is foreseen ahead.
 *
 * @param axis where zero seats lie
 * @param seatsY where the last seat lies
 * @param earlier paths of earlier runs
 * @param own path of this run, up to now
 * @param ahead path from now to what is expected; empty when nothing is foreseen
 * @param range area of what may be; empty with {@code ahead}
 */
public record FillCurve(
        double width,
        double height,
        double axis,
        double seatsY,
        List<Tick> ticks,
        List<String> earlier,
        String own,
        double nowX,
        double nowY,
        String ahead,
        String range,
        double expectedY) {

    private static final double WIDTH = 620;
    private static final double HEIGHT = 170;
    private static final double TOP = 16;
    private static final double AXIS = 146;
    private static final double LEFT = 4;
    private static final double RIGHT = 560;
    private static final int STEPS = 100;

    /** A number of days before the start. */
    public record Tick(double x, String label) {}

    /** What is foreseen at the start, in seats. */
    public record Ahead(double expected, double low, double high) {}

    /** How a run fills: seats by hours before the start. @param begins hours before the start of its first seat */
    public record Run(IntUnaryOperator seatsAt, int begins) {}

    /**
     * Draws the curve.
     *
     * @param hoursLeft to the start, zero or more
     * @param ahead {@code null} when nothing is foreseen
     */
    public static FillCurve of(
            List<Run> earlier, Run own, int hoursLeft, int seats, @org.jspecify.annotations.Nullable Ahead ahead) {
        int from = Math.max(48, Math.max(own.begins(), hoursLeft));
        for (Run run : earlier) {
            from = Math.max(from, run.begins());
        }
        Scale scale = new Scale(from, Math.max(seats, highest(earlier, own, ahead)));
        double nowX = scale.x(hoursLeft);
        double nowY = scale.y(own.seatsAt().applyAsInt(hoursLeft));
        return new FillCurve(
                WIDTH,
                HEIGHT,
                AXIS,
                scale.y(seats),
                ticks(scale),
                earlier.stream().map(run -> path(run, scale, 0)).toList(),
                path(own, scale, hoursLeft),
                nowX,
                nowY,
                ahead == null || hoursLeft == 0 ? "" : line(nowX, nowY, RIGHT, scale.y(ahead.expected())),
                ahead == null || hoursLeft == 0 ? "" : area(nowX, nowY, scale, ahead),
                ahead == null ? 0 : scale.y(ahead.expected()));
    }

    /** The curve as an SVG element. @param seats how many there are @param words the curve in a sentence */
    public String markup(int seats, String words) {
        return new FillDrawing(this).markup(seats, words);
    }

    private static double highest(List<Run> earlier, Run own, @org.jspecify.annotations.Nullable Ahead ahead) {
        double highest = own.seatsAt().applyAsInt(0);
        for (Run run : earlier) {
            highest = Math.max(highest, run.seatsAt().applyAsInt(0));
        }
        return ahead == null ? highest : Math.max(highest, ahead.high());
    }

    /** From hours and seats to places; the last days have more room than the first. */
    private record Scale(int from, double most) {

        double x(int hours) {
            double share = Math.sqrt(Math.min(hours, from) / (double) from);
            return round(RIGHT - share * (RIGHT - LEFT));
        }

        int hoursAt(double x) {
            double share = (RIGHT - x) / (RIGHT - LEFT);
            return (int) Math.round(share * share * from);
        }

        double y(double seats) {
            return round(AXIS - seats / Math.max(1, most) * (AXIS - TOP));
        }
    }

    private static double round(double exact) {
        return Math.round(exact * 10) / 10.0;
    }

    private static String path(Run run, Scale scale, int until) {
        StringBuilder path = new StringBuilder();
        double last = Double.NaN;
        for (int i = 0; i <= STEPS; i++) {
            double x = round(LEFT + (RIGHT - LEFT) * i / STEPS);
            int hours = scale.hoursAt(x);
            if (hours < until || hours > run.begins() + 1) {
                continue;
            }
            double y = scale.y(run.seatsAt().applyAsInt(hours));
            path.append(path.isEmpty() ? "M" + x + " " + AXIS + "V" + y : y == last ? "H" + x : "H" + x + "V" + y);
            last = y;
        }
        if (!path.isEmpty()) {
            path.append("H").append(scale.x(until));
        }
        return path.toString();
    }

    private static String line(double x1, double y1, double x2, double y2) {
        return String.format(Locale.ROOT, "M%.1f %.1fL%.1f %.1f", x1, y1, x2, y2);
    }

    private static String area(double x, double y, Scale scale, Ahead ahead) {
        return String.format(
                Locale.ROOT, "M%.1f %.1fL%.1f %.1fV%.1fZ", x, y, RIGHT, scale.y(ahead.high()), scale.y(ahead.low()));
    }

    private static List<Tick> ticks(Scale scale) {
        List<Tick> ticks = new ArrayList<>();
        for (int days : new int[] {56, 28, 14, 7, 3, 1}) {
            if (days * 24 <= scale.from()) {
                ticks.add(new Tick(scale.x(days * 24), days == 1 ? "1 day" : days + " days"));
            }
        }
        ticks.add(new Tick(RIGHT, "start"));
        return ticks;
    }
}
