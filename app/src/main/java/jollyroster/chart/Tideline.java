package jollyroster.chart;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import jollyroster.core.dates.ClockChange;
import jollyroster.platform.Times;

/** The next {@value #DAYS} days as one line: a stroke a session, or a few that are near one another, as high as its seats, filled as far as it is taken. */
public record Tideline(
        double width,
        double height,
        double base,
        double nowX,
        List<Day> days,
        List<Stroke> strokes,
        List<Change> changes) {

    static final int DAYS = 21;

    /** How far ahead of the first of its days sessions may be that it shows. */
    public static final Duration REACH = Duration.ofDays(DAYS + 1);

    static final double WIDTH = 1232;
    static final double HEIGHT = 62;
    static final double BASE = 44;
    private static final double TALLEST = 34;
    private static final double STROKE = 6;
    private static final double APART = 8;

    /** From where its time is. */
    private static final double FARTHEST = 2 * APART;

    private static final String SWELL = "M0 41q77-7 154 0t154 0t154 0t154 0t154 0t154 0t154 0t154 0";

    public record Day(double x, double width, String label, boolean weekend) {}

    /** @param words the session in a sentence, for a title and for people who do not see the line */
    public record Stroke(
            long session,
            double x,
            double width,
            double top,
            double height,
            double filledTop,
            double filled,
            String words) {}

    public record Change(double x, String label) {}

    /** A session as the line draws it. */
    public record Entry(long id, String title, Instant start, int seats, int taken, int waiting) {}

    /** The line as an SVG element. */
    public String markup() {
        Svg svg = new Svg()
                .begin("svg")
                .with("viewBox", "0 0 " + width + " " + height)
                .with("role", "group")
                .with("aria-label", "Tideline: one stroke a session")
                .inside();
        svg.path("weekend", weekends());
        svg.path("swell", SWELL);
        changes.forEach(change -> svg.words("change", change.x() + 4, 11, change.label()));
        svg.path("base", new PathData().from(0, base, "h" + width).toString());
        svg.path("midnight", midnights());
        days.forEach(day -> svg.words("day", day.x() + 4, base + 14, day.label()));
        strokes.forEach(stroke -> draw(svg, stroke));
        svg.path("filled", fillings());
        svg.path("now", new PathData().from(nowX, 2, "V" + (base + 3)).toString());
        svg.path("now-mark", new PathData().from(nowX - 4, 0, "h8l-4 7z").toString());
        return svg.end("svg").toString();
    }

    private static void draw(Svg svg, Stroke stroke) {
        svg.begin("a").with("href", "/desk/sessions/" + stroke.session()).with("aria-label", stroke.words());
        svg.inside().begin("title").inside().text(stroke.words()).end("title");
        svg.path(
                "stroke",
                new PathData()
                        .box(stroke.x(), stroke.top(), stroke.width(), stroke.height())
                        .toString());
        svg.end("a");
    }

    private String weekends() {
        PathData path = new PathData();
        days.stream().filter(Day::weekend).forEach(day -> path.box(day.x(), 0, day.width(), base));
        return path.toString();
    }

    private String midnights() {
        PathData path = new PathData();
        days.forEach(day -> path.from(day.x(), base - 4, "v4"));
        return path.toString();
    }

    private String fillings() {
        PathData path = new PathData();
        strokes.forEach(stroke -> path.box(stroke.x(), stroke.filledTop(), stroke.width(), stroke.filled()));
        return path.toString();
    }

    /** @param zones where the attendees live; clock changes there are marked too */
    public static Tideline of(Instant now, ZoneId home, Collection<ZoneId> zones, List<Entry> entries) {
        Scale scale =
                new Scale(now.atZone(home).toLocalDate().atStartOfDay(home).toInstant());
        List<Crowd> crowds = crowds(entries, scale);
        int most = Math.max(1, crowds.stream().mapToInt(Crowd::seats).max().orElse(1));
        List<Stroke> strokes =
                crowds.stream().map(crowd -> stroke(crowd, most, home)).toList();
        return new Tideline(
                WIDTH,
                HEIGHT,
                BASE,
                Math.round(scale.x(now)),
                days(scale, now, home),
                strokes,
                changes(scale, now, home, zones));
    }

    /** Sessions so near one another that they share a stroke. @param x where it stands */
    private record Crowd(double x, List<Entry> entries) {

        int seats() {
            return entries.stream().mapToInt(Entry::seats).sum();
        }

        int taken() {
            return entries.stream().mapToInt(Entry::taken).sum();
        }

        int waiting() {
            return entries.stream().mapToInt(Entry::waiting).sum();
        }
    }

    /** A stroke stands beside the one before it, but never far from its time: then both are one. */
    private static List<Crowd> crowds(List<Entry> entries, Scale scale) {
        List<Crowd> crowds = new ArrayList<>();
        double free = Double.NEGATIVE_INFINITY;
        for (Entry entry : entries) {
            double its = scale.x(entry.start());
            double x = Math.max(its, free);
            if (x < 0 || x > WIDTH - STROKE) {
                continue;
            }
            if (x - its > FARTHEST) {
                crowds.get(crowds.size() - 1).entries().add(entry);
            } else {
                crowds.add(new Crowd(x, new ArrayList<>(List.of(entry))));
                free = x + APART;
            }
        }
        return crowds;
    }

    private static Stroke stroke(Crowd crowd, int most, ZoneId home) {
        Entry first = crowd.entries().get(0);
        int more = crowd.entries().size() - 1;
        double height = 8 + (TALLEST - 8) * Math.sqrt((double) crowd.seats() / most);
        double filled = crowd.seats() == 0 ? 0 : height * Math.min(1, (double) crowd.taken() / crowd.seats());
        String words = first.title() + ", " + Times.dayAndTime(first.start(), home)
                + (more > 0 ? " and " + more + " more" : "") + ": " + crowd.taken() + " of " + crowd.seats() + " taken"
                + (crowd.waiting() > 0 ? ", " + crowd.waiting() + " waiting" : "");
        return new Stroke(first.id(), crowd.x(), STROKE, BASE - height, height, BASE - filled, filled, words);
    }

    private static List<Day> days(Scale scale, Instant now, ZoneId home) {
        LocalDate today = now.atZone(home).toLocalDate();
        List<Day> days = new ArrayList<>();
        for (int i = 0; i < DAYS; i++) {
            LocalDate date = today.plusDays(i);
            double x = scale.x(date.atStartOfDay(home).toInstant());
            double next = scale.x(date.plusDays(1).atStartOfDay(home).toInstant());
            boolean weekend = date.getDayOfWeek() == DayOfWeek.SATURDAY || date.getDayOfWeek() == DayOfWeek.SUNDAY;
            days.add(new Day(x, next - x, Times.weekdayAndDate(date), weekend));
        }
        return days;
    }

    private static List<Change> changes(Scale scale, Instant now, ZoneId home, Collection<ZoneId> zones) {
        Instant end = now.plus(Duration.ofDays(DAYS));
        Map<LocalDate, TreeSet<String>> byDay = new LinkedHashMap<>();
        zones.stream()
                .filter(zone -> !zone.equals(home))
                .flatMap(zone -> ClockChange.between(zone, now, end).stream())
                .sorted(java.util.Comparator.comparing(ClockChange::at))
                .forEach(
                        change -> byDay.computeIfAbsent(change.at().atZone(home).toLocalDate(), d -> new TreeSet<>())
                                .add(Times.city(change.zone())));
        List<Change> changes = ClockChange.between(home, now, end).stream()
                .map(c -> new Change(scale.x(c.at()), "Clocks " + hours(c.shift())))
                .collect(Collectors.toCollection(ArrayList::new));
        byDay.forEach((date, cities) -> {
            double x = scale.x(date.atStartOfDay(home).toInstant());
            if (changes.stream().noneMatch(c -> Math.abs(c.x() - x) < WIDTH / DAYS)) {
                changes.add(new Change(x, label(cities)));
            }
        });
        return changes;
    }

    private static String label(TreeSet<String> cities) {
        String first = "Clocks change: " + cities.first();
        return cities.size() > 1 ? first + " and " + (cities.size() - 1) + " more" : first;
    }

    private static String hours(Duration shift) {
        return (shift.isNegative() ? "−" : "+") + Times.length(shift.abs());
    }

    private record Scale(Instant from) {
        double x(Instant at) {
            return WIDTH
                    * Duration.between(from, at).toMinutes()
                    / Duration.ofDays(DAYS).toMinutes();
        }
    }
}
