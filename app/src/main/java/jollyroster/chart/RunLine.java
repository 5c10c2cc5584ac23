package jollyroster.chart;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;

/**
 * What happens when, on an axis that stretches near the start: the time before it is drawn on a logarithmic scale, the
 * session itself and its overrun at fixed widths, the days after at the end.
 *
 * @param nowX where now is, clipped to the line
 */
public record RunLine(
        double width,
        double axis,
        double nowX,
        double startX,
        double endX,
        double closesX,
        double doorX,
        List<Tick> ticks,
        List<Mark> marks,
        List<Clock> clocks) {

    static final double WIDTH = 860;
    static final double AXIS = 66;
    private static final double START = 640;
    private static final double END = 766;
    private static final double CLOSES = 800;
    private static final double BEFORE_MINUTES = 21 * 24 * 60;
    private static final double BEND_MINUTES = 20;
    private static final double AFTER_MINUTES = 3 * 24 * 60;
    private static final double ROOM = 46;

    public record Tick(double x, String label) {}

    /** @param row 0 beside the line, 1 above a neighbour that would touch it */
    public record Mark(double x, int row, Kind kind, String label, String words, String code, String address) {}

    /** What a mark stands for. */
    public enum Kind {
        MESSAGE,
        /** A message that goes as a text. */
        TEXT,
        CUT_OFF,
        OPENS
    }

    /**
     * Something to mark, at its time.
     *
     * @param code how it stands, for its style: planned, sent, failed
     * @param address that opens it; empty for nothing
     */
    public record Event(Instant at, Kind kind, String label, String words, String code, String address) {

        /** One that opens nothing. */
        public Event(Instant at, Kind kind, String label, String words, String code) {
            this(at, kind, label, words, code, "");
        }
    }

    /** When people on one clock are left alone. @param name of the clock */
    public record Calm(String name, List<Interval> spans) {}

    /** The same, drawn. */
    public record Clock(String name, List<Stretch> stretches) {}

    /** A stretch of the line. */
    public record Stretch(double from, double to) {}

    public static RunLine of(DoorHours hours, Instant now, List<Event> events) {
        return of(hours, now, events, List.of());
    }

    /** The same with when people are left alone, a row a clock below the line. */
    public static RunLine of(DoorHours hours, Instant now, List<Event> events, List<Calm> calm) {
        Scale scale = new Scale(hours);
        List<Mark> marks = new ArrayList<>();
        double last = Double.NEGATIVE_INFINITY;
        int row = 0;
        for (Event event : inOrder(events)) {
            double x = scale.x(event.at());
            boolean message = event.kind() == Kind.MESSAGE || event.kind() == Kind.TEXT;
            row = message && x - last < ROOM ? 1 - row : 0;
            marks.add(new Mark(x, row, event.kind(), event.label(), event.words(), event.code(), event.address()));
            last = message ? x : last;
        }
        return new RunLine(
                WIDTH,
                AXIS,
                scale.x(now),
                START,
                END,
                CLOSES,
                scale.x(hours.opens()),
                axisTicks(),
                List.copyOf(marks),
                clocks(scale, calm));
    }

    private static List<Clock> clocks(Scale scale, List<Calm> calm) {
        return calm.stream()
                .map(some -> new Clock(
                        some.name(),
                        some.spans().stream()
                                .map(span -> new Stretch(scale.x(span.start()), scale.x(span.end())))
                                .toList()))
                .toList();
    }

    /** The line as an SVG element. */
    public String markup() {
        return new RunLineDrawing(this).markup();
    }

    private static List<Event> inOrder(List<Event> events) {
        return events.stream().sorted(java.util.Comparator.comparing(Event::at)).toList();
    }

    /** Where a moment lies on the line of a session. */
    static double x(DoorHours hours, Instant at) {
        return new Scale(hours).x(at);
    }

    /** The moment at a place of the line: the other way round. */
    public static Instant at(DoorHours hours, double x) {
        return new Scale(hours).at(Math.max(0, Math.min(WIDTH, x)));
    }

    static List<Tick> axisTicks() {
        return List.of(
                tick(14 * 24 * 60, "−14 d"),
                tick(7 * 24 * 60, "−7 d"),
                tick(3 * 24 * 60, "−3 d"),
                tick(24 * 60, "−24 h"),
                tick(12 * 60, "−12 h"),
                tick(4 * 60, "−4 h"),
                tick(60, "−1 h"),
                new Tick(START, "start"),
                new Tick(END, "end"));
    }

    private static Tick tick(double minutesBefore, String label) {
        return new Tick(before(minutesBefore), label);
    }

    private static double before(double minutes) {
        double share = Math.log1p(minutes / BEND_MINUTES) / Math.log1p(BEFORE_MINUTES / BEND_MINUTES);
        return Math.max(4, START * (1 - share));
    }

    private record Scale(DoorHours hours) {
        double x(Instant at) {
            if (at.isBefore(hours.start())) {
                return before(minutes(at, hours.start()));
            }
            if (at.isBefore(hours.end())) {
                return START + (END - START) * minutes(hours.start(), at) / minutes(hours.start(), hours.end());
            }
            if (at.isBefore(hours.closes())) {
                return END + (CLOSES - END) * minutes(hours.end(), at) / minutes(hours.end(), hours.closes());
            }
            return CLOSES + Math.min(1, minutes(hours.closes(), at) / AFTER_MINUTES) * (WIDTH - CLOSES - 8);
        }

        Instant at(double x) {
            if (x <= START) {
                double before = BEND_MINUTES * Math.expm1((1 - x / START) * Math.log1p(BEFORE_MINUTES / BEND_MINUTES));
                return plus(hours.start(), -before);
            }
            if (x <= END) {
                return plus(hours.start(), (x - START) / (END - START) * minutes(hours.start(), hours.end()));
            }
            return x <= CLOSES
                    ? plus(hours.end(), (x - END) / (CLOSES - END) * minutes(hours.end(), hours.closes()))
                    : plus(hours.closes(), (x - CLOSES) / (WIDTH - CLOSES - 8) * AFTER_MINUTES);
        }

        private static Instant plus(Instant from, double minutes) {
            return from.plusSeconds(Math.round(minutes * 60));
        }

        private static double minutes(Instant from, Instant to) {
            return Duration.between(from, to).toSeconds() / 60.0;
        }
    }
}
