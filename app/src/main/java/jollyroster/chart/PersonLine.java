package jollyroster.chart;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;

/**
 * A person through time: one mark for each registration, from the first to the last or to today, months below, and the
 * now-line between what was and what is to come.
 */
public final class PersonLine {

    private static final double WIDTH = 1180;
    private static final double BASE = 40;
    private static final double MARK = 11;
    private static final double APART = 14;
    private static final int MOST_LABELS = 12;
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMM yyyy", Locale.ENGLISH);

    private PersonLine() {}

    /** @param mark as the sprite names it: {@code taken}, {@code gone} @param words for whoever points at it */
    public record Entry(long session, Instant start, String mark, String words) {}

    /** @param entries in order of time, at least one. @return an SVG element */
    public static String markup(List<Entry> entries, Instant now, ZoneId home) {
        Instant first = entries.get(0).start();
        Instant last = entries.get(entries.size() - 1).start();
        LocalDate from = earlier(first, now).atZone(home).toLocalDate().withDayOfMonth(1);
        LocalDate until =
                later(last, now).atZone(home).toLocalDate().withDayOfMonth(1).plusMonths(1);
        double perDay = WIDTH / ChronoUnit.DAYS.between(from, until);
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "person-line")
                .with("viewBox", "0 0 " + WIDTH + " 60")
                .with("role", "group")
                .with("aria-label", "Registrations through time")
                .inside();
        svg.begin("path")
                .with("class", "base")
                .with("d", "M0 " + BASE + "h" + WIDTH)
                .end();
        months(svg, from, until, perDay);
        double free = Double.NEGATIVE_INFINITY;
        for (Entry entry : entries) {
            double x = Math.max(x(entry.start(), from, home, perDay) - MARK / 2, free);
            mark(svg, entry, Math.min(x, WIDTH - MARK));
            free = x + APART;
        }
        double nowX = x(now, from, home, perDay);
        svg.begin("path")
                .with("class", "now")
                .with("d", new PathData().from(nowX, 4, "v38").toString())
                .end();
        return svg.end("svg").toString();
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static double x(Instant at, LocalDate from, ZoneId home, double perDay) {
        return ChronoUnit.HOURS.between(from.atStartOfDay(home).toInstant(), at) / 24.0 * perDay;
    }

    private static void months(Svg svg, LocalDate from, LocalDate until, double perDay) {
        long all = ChronoUnit.MONTHS.between(from, until);
        long step = Math.max(1, (all + MOST_LABELS - 1) / MOST_LABELS);
        for (LocalDate month = from; month.isBefore(until); month = month.plusMonths(step)) {
            double x = ChronoUnit.DAYS.between(from, month) * perDay;
            svg.begin("path")
                    .with("class", "base")
                    .with("d", new PathData().from(x, BASE - 4, "v4").toString())
                    .end();
            svg.begin("text")
                    .with("x", x + 3)
                    .with("y", BASE + 14)
                    .inside()
                    .text(MONTH.format(month))
                    .end("text");
        }
    }

    private static void mark(Svg svg, Entry entry, double x) {
        svg.begin("a").with("href", "/desk/sessions/" + entry.session()).inside();
        svg.begin("title").inside().text(entry.words()).end("title");
        svg.begin("use").with("href", "#seat-" + entry.mark()).with("x", x).with("y", BASE - 2 * MARK);
        svg.with("width", MARK).with("height", 2 * MARK).end().end("a");
    }
}
