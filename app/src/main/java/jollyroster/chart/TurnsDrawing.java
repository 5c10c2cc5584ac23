package jollyroster.chart;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Locale;

/** The turns of a session in its time: those that are done, the present one, and where those in line would come. */
public final class TurnsDrawing {

    private static final double WIDTH = 1000;
    private static final double TOP = 14;
    private static final double TALL = 34;
    private static final double BASE = TOP + TALL;
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);
    private final Instant start;
    private final Instant end;
    private final ZoneId zone;
    private final Instant now;
    private final double perSecond;
    private final Svg svg = new Svg();

    public TurnsDrawing(Instant start, Instant end, ZoneId zone, Instant now) {
        this.start = start;
        this.end = end;
        this.zone = zone;
        this.now = now;
        // Some room behind the end shows who would not have their turn.
        this.perSecond = WIDTH / Math.max(60, Duration.between(start, end).toSeconds() * 1.15);
        svg.begin("svg")
                .with("class", "turns-line")
                .with("viewBox", "0 0 " + PathData.shortest(WIDTH) + " 68")
                .with("role", "img")
                .with("aria-label", "Turns in the time of the session")
                .inside();
        svg.path(
                "base",
                new PathData().from(0, BASE, "h" + PathData.shortest(WIDTH)).toString());
        hours();
    }

    public void done(Instant began, Duration length, String name) {
        box("done", began, length, name);
    }

    /** @param usual how long it usually takes, drawn behind it */
    public void present(Instant began, Duration length, Duration usual, String name) {
        box("usual", began, usual, name);
        box("present", began, length, name);
    }

    public void expected(Instant at, Duration length, String name) {
        box("waits", at, length, name);
    }

    private double x(Instant at) {
        return Math.min(WIDTH, Math.max(0, Duration.between(start, at).toSeconds() * perSecond));
    }

    private void box(String drawnAs, Instant from, Duration length, String name) {
        double left = x(from);
        double wide = Math.max(2, x(from.plus(length)) - left - 1.5);
        if (left >= WIDTH) {
            return;
        }
        svg.begin("g").inside();
        svg.begin("title").inside().text(name).end("title");
        svg.path(drawnAs, new PathData().box(left, TOP, wide, TALL).toString());
        svg.end("g");
    }

    /** As it stands in a page. */
    public String markup() {
        line("end", end);
        line("now", now);
        return svg.end("svg").toString();
    }

    private void line(String drawnAs, Instant at) {
        svg.path(
                drawnAs,
                new PathData().from(x(at), 4, "v" + PathData.shortest(BASE - 2)).toString());
    }

    private void hours() {
        long step = Duration.between(start, end).toMinutes() > 120 ? 60 : 30;
        Instant first = start.atZone(zone).truncatedTo(ChronoUnit.HOURS).toInstant();
        for (Instant at = first; x(at) < WIDTH - 30; at = at.plus(step, ChronoUnit.MINUTES)) {
            if (!at.isBefore(start)) {
                svg.words("hour", x(at), BASE + 15, HOUR.format(at.atZone(zone)));
            }
        }
    }
}
