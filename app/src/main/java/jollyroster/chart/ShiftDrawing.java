package jollyroster.chart;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import jollyroster.core.dates.Interval;

/** Sessions before a change above those after it, along one line of time, each tied to where it goes. */
public final class ShiftDrawing {

    private static final double WIDTH = 860;
    private static final double BEFORE = 16;
    private static final double AFTER = 74;
    private static final double BAR = 14;
    private static final double THINNEST = 5;
    private static final int MOST_LABELS = 9;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    private ShiftDrawing() {}

    /** A session. @param collides whether it would be double-booked afterwards */
    public record Entry(Interval before, Interval after, boolean collides) {}

    /** @param entries at least one. @param zone of the days below. @return an SVG element */
    public static String markup(List<Entry> entries, ZoneId zone) {
        Instant first = entries.stream()
                .flatMap(e ->
                        java.util.stream.Stream.of(e.before().start(), e.after().start()))
                .min(Comparator.naturalOrder())
                .orElseThrow();
        Instant last = entries.stream()
                .flatMap(e ->
                        java.util.stream.Stream.of(e.before().end(), e.after().end()))
                .max(Comparator.naturalOrder())
                .orElseThrow();
        LocalDate from = first.atZone(zone).toLocalDate();
        LocalDate until = last.atZone(zone).toLocalDate().plusDays(1);
        double perDay = WIDTH / Math.max(1, ChronoUnit.DAYS.between(from, until));
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "shift")
                .with("viewBox", "0 0 " + (WIDTH + 60) + " 118")
                .with("role", "img")
                .with("aria-label", "Before above, after below; the rows say the same in words")
                .inside();
        days(svg, from, until, perDay);
        label(svg, BEFORE + 11, "before");
        label(svg, AFTER + 11, "after");
        for (Entry e : entries) {
            bar(svg, "before", e.before(), BEFORE, from, zone, perDay);
            tie(svg, e, from, zone, perDay);
            bar(svg, e.collides() ? "after collides" : "after", e.after(), AFTER, from, zone, perDay);
        }
        return svg.end("svg").toString();
    }

    private static void label(Svg svg, double y, String words) {
        svg.begin("text").with("x", 0).with("y", y).inside().text(words).end("text");
    }

    private static double x(Instant at, LocalDate from, ZoneId zone, double perDay) {
        return 60 + Duration.between(from.atStartOfDay(zone).toInstant(), at).toMinutes() / 1440.0 * perDay;
    }

    private static void bar(Svg svg, String kind, Interval span, double y, LocalDate from, ZoneId zone, double perDay) {
        double x = x(span.start(), from, zone, perDay);
        double width = Math.max(THINNEST, x(span.end(), from, zone, perDay) - x);
        svg.begin("path")
                .with("class", kind)
                .with("d", new PathData().box(x, y, width, BAR).toString())
                .end();
    }

    private static void tie(Svg svg, Entry e, LocalDate from, ZoneId zone, double perDay) {
        double x = x(e.before().start(), from, zone, perDay) + THINNEST / 2;
        double to = x(e.after().start(), from, zone, perDay) + THINNEST / 2;
        String line = "l" + PathData.shortest(to - x) + " " + PathData.shortest(AFTER - BEFORE - BAR);
        svg.begin("path")
                .with("class", "tie")
                .with("d", new PathData().from(x, BEFORE + BAR, line).toString())
                .end();
    }

    private static void days(Svg svg, LocalDate from, LocalDate until, double perDay) {
        long all = ChronoUnit.DAYS.between(from, until);
        long step = Math.max(1, (all + MOST_LABELS - 1) / MOST_LABELS);
        for (LocalDate day = from; day.isBefore(until); day = day.plusDays(step)) {
            double x = 60 + ChronoUnit.DAYS.between(from, day) * perDay;
            svg.begin("path")
                    .with("class", "day")
                    .with("d", new PathData().from(x, 8, "v92").toString())
                    .end();
            svg.begin("text")
                    .with("x", x + 2)
                    .with("y", 112)
                    .inside()
                    .text(DAY.format(day))
                    .end("text");
        }
    }
}
