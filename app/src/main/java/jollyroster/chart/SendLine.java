package jollyroster.chart;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * How many letters leave when, in the days ahead: a bar for every two hours. The height of a bar grows with the root of the
 * number, so that one letter is seen beside hundreds.
 *
 * @param slots how many leave in each slot of two hours from now on
 */
public record SendLine(Instant now, ZoneId zone, TreeMap<Integer, Integer> slots) {

    /** So far ahead is drawn. */
    public static final Duration AHEAD = Duration.ofDays(7);

    private static final int SLOT_MINUTES = 120;
    private static final double WIDTH = 1200;
    private static final double FLOOR = 62;
    private static final double HIGHEST = 42;
    private static final double MARGIN = 14;
    private static final int NUMBERED = 5;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);

    /** @param due how many letters are due at each time; what is due already leaves first */
    public static SendLine of(Map<Instant, Integer> due, Instant now, ZoneId zone) {
        TreeMap<Integer, Integer> slots = new TreeMap<>();
        due.forEach((at, letters) -> {
            if (at.isBefore(now.plus(AHEAD))) {
                slots.merge(slot(now, at), letters, Integer::sum);
            }
        });
        return new SendLine(now, zone, slots);
    }

    private static int slot(Instant now, Instant at) {
        return (int) Math.max(0, Duration.between(now, at).toMinutes() / SLOT_MINUTES);
    }

    private int letters() {
        return slots.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** The line as an SVG element; empty when nothing leaves. */
    public String markup() {
        if (slots.isEmpty()) {
            return "";
        }
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "send-line")
                .with("viewBox", "0 0 1200 84")
                .with("role", "img")
                .with("aria-label", letters() + " e-mails leave in the next seven days; when each does is listed below")
                .inside();
        PathData bars = new PathData();
        slots.forEach((slot, letters) -> bars.box(x(slot) + 1, FLOOR - height(letters), width() - 2, height(letters)));
        svg.path("send-bar", bars.toString());
        svg.path("floor", new PathData().from(0, FLOOR, "h1200").toString());
        days(svg);
        slots.forEach((slot, letters) -> {
            if (letters >= NUMBERED && letters >= beside(slot)) {
                double middle = Math.max(MARGIN, Math.min(WIDTH - MARGIN, x(slot) + width() / 2));
                svg.words("send-number", middle, FLOOR - height(letters) - 4, String.valueOf(letters));
            }
        });
        return svg.end("svg").toString();
    }

    private void days(Svg svg) {
        PathData midnights = new PathData();
        LocalDate first = now.atZone(zone).toLocalDate();
        svg.words("hour", 2, FLOOR + 16, "now");
        for (LocalDate day = first.plusDays(1);
                day.atStartOfDay(zone).toInstant().isBefore(now.plus(AHEAD));
                day = day.plusDays(1)) {
            double x =
                    Duration.between(now, day.atStartOfDay(zone).toInstant()).toMinutes() * WIDTH / AHEAD.toMinutes();
            midnights.from(x, FLOOR, "v5");
            svg.words("hour", x + 3, FLOOR + 16, DAY.format(day));
        }
        svg.path("floor", midnights.toString());
    }

    /** The most letters of the slots beside one; only the highest of neighbours has its number over it. */
    private int beside(int slot) {
        return Math.max(slots.getOrDefault(slot - 1, 0), slots.getOrDefault(slot + 1, 0));
    }

    private static double width() {
        return WIDTH * SLOT_MINUTES / AHEAD.toMinutes();
    }

    private static double x(int slot) {
        return slot * width();
    }

    private double height(int letters) {
        int most = slots.values().stream().mapToInt(Integer::intValue).max().orElse(1);
        return Math.max(3, HIGHEST * Math.sqrt((double) letters / most));
    }
}
