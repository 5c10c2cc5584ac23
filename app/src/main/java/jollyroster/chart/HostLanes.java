package jollyroster.chart;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Stretch;
import jollyroster.platform.Times;

/**
 * A lane a host, over one week or several: sessions with their buffers, times at which the host is taken up elsewhere, and
 * conflicts. Nights are left out: of each day only the hours are drawn in which anything happens, at least 08:00–20:00.
 *
 * @param minutesPerUnit how many minutes one unit of width stands for
 * @param nowX where now is; negative when it is outside
 */
public record HostLanes(
        double width, double height, double minutesPerUnit, double nowX, List<Day> days, List<Lane> lanes) {

    private static final double WIDTH = 1232;
    private static final double LABELS = 132;
    private static final double TOP = 30;
    private static final double LANE = 64;
    private static final double BAR = 26;
    private static final double NARROWEST_TITLED = 25;
    private static final double BAR_TOP = 18;
    private static final double OPEN_TOP = 5;
    private static final double TIME_WIDTH = 31;

    /** @param label with the month on the first day, and none where days are too narrow */
    public record Day(double x, double width, String label, boolean weekend, boolean today) {}

    /** @param note how much the host leads in this time, in words */
    public record Lane(
            String name,
            String note,
            double y,
            double height,
            List<OpenBox> open,
            List<Bar> bars,
            List<Box> busy,
            List<Clash> clashes) {}

    /** Open hours behind a lane. @param from minutes after midnight @param until the same */
    public record OpenBox(
            long offering,
            LocalDate day,
            int from,
            int until,
            double x,
            double width,
            double y,
            double height,
            String words) {}

    /** A session. @param title empty where there is no room for it @param time of its start, where there is room */
    public record Bar(
            long session,
            double x,
            double width,
            double paddedX,
            double paddedWidth,
            double y,
            double height,
            String title,
            String time,
            String words,
            String start,
            String tint) {}

    public record Box(double x, double width, double y, double height, String words) {}

    /** The time that is double-booked. */
    public record Clash(double x, double width, double y, double height, String label) {}

    /** A session as it is drawn. @param padded with its buffers */
    public record Held(long session, String title, String place, Interval span, Interval padded, String tint) {}

    /** A host with all that takes up their time. */
    public record Host(
            String name, List<Open> open, List<Held> sessions, List<Interval> busy, List<Interval> clashes) {}

    /** A stretch of open hours in which people pick a time of an offering. */
    public record Open(long offering, String title, LocalDate day, Stretch stretch, Interval span) {}

    /** What is drawn. @param from the first day @param days 7 or 28 */
    public record Frame(LocalDate from, int days, ZoneId zone, Instant now) {
        /** The days as an interval of instants. */
        public Interval span() {
            return new Interval(
                    from.atStartOfDay(zone).toInstant(),
                    from.plusDays(days).atStartOfDay(zone).toInstant());
        }
    }

    /** The lanes as an SVG element. */
    public String markup() {
        return new LanesDrawing(this).markup();
    }

    public static HostLanes of(Frame frame, List<Host> hosts) {
        Scale scale = Scale.fitting(frame, hosts);
        List<Lane> lanes = new ArrayList<>();
        for (Host host : hosts) {
            lanes.add(lane(host, TOP + lanes.size() * LANE, scale));
        }
        boolean nowShown = frame.span().contains(frame.now());
        return new HostLanes(
                WIDTH,
                TOP + Math.max(1, hosts.size()) * LANE + 4,
                scale.minutesPerUnit(),
                nowShown ? scale.x(frame.now()) : -1,
                days(frame, scale),
                lanes);
    }

    private static List<Day> days(Frame frame, Scale scale) {
        LocalDate today = frame.now().atZone(frame.zone()).toLocalDate();
        return Stream.iterate(0, i -> i < frame.days(), i -> i + 1)
                .map(i -> {
                    LocalDate date = frame.from().plusDays(i);
                    boolean labelled = frame.days() <= 7 || date.getDayOfWeek().getValue() == 1;
                    return new Day(
                            scale.dayX(i),
                            scale.dayWidth(),
                            labelled ? Times.dayAndMonth(date) : "",
                            date.getDayOfWeek().getValue() > 5,
                            date.equals(today));
                })
                .toList();
    }

    private static Lane lane(Host host, double y, Scale scale) {
        int minutes = (int) host.sessions().stream()
                .mapToLong(s -> s.span().length().toMinutes())
                .sum();
        String note = host.sessions().isEmpty()
                ? "free"
                : host.sessions().size()
                        + (host.sessions().size() == 1 ? " session, " : " sessions, ")
                        + Times.length(java.time.Duration.ofMinutes(minutes));
        return new Lane(
                host.name(),
                note,
                y,
                LANE,
                host.open().stream().map(o -> open(o, y, scale)).toList(),
                bars(host.sessions(), y, scale),
                host.busy().stream().map(b -> box(b, y, scale)).toList(),
                host.clashes().stream().map(c -> clash(c, y, scale)).toList());
    }

    /** The time stands under a bar where that of the one before leaves room for it. */
    private static List<Bar> bars(List<Held> sessions, double y, Scale scale) {
        List<Bar> bars = new ArrayList<>();
        double free = Double.NEGATIVE_INFINITY;
        for (Held s : sessions) {
            Bar bar = bar(s, y, scale, scale.x(s.span().start()) >= free);
            bars.add(bar);
            free = bar.time().isEmpty() ? free : bar.x() + TIME_WIDTH;
        }
        return bars;
    }

    private static Bar bar(Held s, double y, Scale scale, boolean timed) {
        double x = scale.x(s.span().start());
        double width = Math.max(3, scale.x(s.span().end()) - x);
        double paddedX = scale.x(s.padded().start());
        ZonedDateTime start = s.span().start().atZone(scale.zone());
        String words = s.title() + " " + Times.hours(start, s.span().end().atZone(scale.zone())) + ", "
                + Times.day(start)
                + (s.place().isEmpty() ? "" : ", " + s.place());
        String title = width < NARROWEST_TITLED ? "" : s.title(); // as much of it as the bar has room for
        return new Bar(
                s.session(),
                x,
                width,
                paddedX,
                Math.max(width, scale.x(s.padded().end()) - paddedX),
                y + BAR_TOP,
                BAR,
                title,
                timed && scale.days() <= 7 ? Times.time(start) : "",
                words,
                start.toLocalDateTime().toString(),
                s.tint());
    }

    private static OpenBox open(Open o, double y, Scale scale) {
        double x = scale.x(o.span().start());
        return new OpenBox(
                o.offering(),
                o.day(),
                o.stretch().from(),
                o.stretch().until(),
                x,
                Math.max(2, scale.x(o.span().end()) - x),
                y + OPEN_TOP,
                LANE - 2 * OPEN_TOP,
                "open hours of " + o.title() + ", " + Times.dayAndMonth(o.day()) + ", " + o.stretch());
    }

    private static Box box(Interval busy, double y, Scale scale) {
        double x = scale.x(busy.start());
        String words = "taken up elsewhere, " + Times.dayAndTime(busy.start(), scale.zone()) + " to "
                + Times.dayAndTime(busy.end(), scale.zone());
        return new Box(x, Math.max(2, scale.x(busy.end()) - x), y + BAR_TOP - 4, BAR + 8, words);
    }

    private static Clash clash(Interval overlap, double y, Scale scale) {
        double x = scale.x(overlap.start());
        return new Clash(
                x - 1.5,
                Math.max(4, scale.x(overlap.end()) - x + 3),
                y + BAR_TOP - 6,
                BAR + 12,
                overlap.length().toMinutes() + " min twice");
    }

    /** @param first the first hour drawn of each day @param hours how many */
    private record Scale(LocalDate from, int days, ZoneId zone, int first, int hours) {

        static Scale fitting(Frame frame, List<Host> hosts) {
            int first = 8;
            int last = 20;
            for (Host host : hosts) {
                Stream<Interval> shown = Stream.concat(
                        host.sessions().stream().map(Held::padded),
                        host.open().stream().map(Open::span));
                for (Interval span : (Iterable<Interval>) shown::iterator) {
                    ZonedDateTime start = span.start().atZone(frame.zone());
                    ZonedDateTime end = span.end().atZone(frame.zone());
                    boolean sameDay = start.toLocalDate().equals(end.toLocalDate());
                    first = Math.min(first, start.getHour());
                    last = Math.max(last, sameDay ? end.getHour() + (end.getMinute() > 0 ? 1 : 0) : 24);
                }
            }
            return new Scale(frame.from(), frame.days(), frame.zone(), first, last - first);
        }

        double dayWidth() {
            return (WIDTH - LABELS) / days;
        }

        double dayX(int day) {
            return LABELS + day * dayWidth();
        }

        double minutesPerUnit() {
            return hours * 60 / dayWidth();
        }

        double x(Instant at) {
            ZonedDateTime there = at.atZone(zone);
            long day = java.time.temporal.ChronoUnit.DAYS.between(from, there.toLocalDate());
            LocalTime time = there.toLocalTime();
            double minutes = Math.max(0, Math.min(hours * 60.0, time.toSecondOfDay() / 60.0 - first * 60.0));
            double x = LABELS + day * dayWidth() + minutes / minutesPerUnit();
            return Math.max(LABELS, Math.min(WIDTH, x));
        }
    }
}
