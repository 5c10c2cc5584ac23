package jollyroster.chart;

import java.util.ArrayList;
import java.util.List;

/**
 * One mark for each seat, then the parties that wait beyond the capacity line. Above {@value #MOST_MARKS} seats the strip
 * is drawn in proportion instead.
 *
 * @param words what the strip shows, for people who do not see it
 */
public record SeatStrip(
        double width, double height, double capacityX, List<Mark> marks, List<Label> labels, String words) {

    static final int MOST_MARKS = 60;
    private static final double PARTY_GAP = 0.6;
    private static final double FEW_WAITING = 12;

    /** How a seat is used; the code names the mark that is drawn. */
    public enum Use {
        TAKEN("taken"),
        COMPANION("companion"),
        HELD("held"),
        CALLED_UP("called"),
        KEPT_BACK("kept"),
        FREE("free"),
        WAITING("waiting");

        private final String code;

        Use(String code) {
            this.code = code;
        }

        public String code() {
            return code;
        }
    }

    /** Places are rounded to a tenth, which is finer than a screen shows. */
    public record Mark(double x, double width, Use use) {
        public Mark {
            x = tenth(x);
            width = tenth(width);
        }
    }

    public record Label(double x, String text) {
        public Label {
            x = tenth(x);
        }
    }

    public SeatStrip {
        width = tenth(width);
        height = tenth(height);
        capacityX = tenth(capacityX);
        marks = List.copyOf(marks);
        labels = List.copyOf(labels);
    }

    /** Room for the names below, when there are any. */
    double fullHeight() {
        return labels.isEmpty() ? height : height + 20;
    }

    private static double tenth(double exact) {
        return Math.round(exact * 10) / 10.0;
    }

    /** People who came together. @param name shown under a waiting party; may be empty */
    public record Party(int size, Use use, String name) {}

    /**
     * Draws the strip.
     *
     * @param parties those who hold seats, then those who wait, each in order
     * @param mark width of one seat mark; its height is twice that
     */
    public static SeatStrip of(int seats, int keptBack, List<Party> parties, double mark) {
        int taken = people(parties, false);
        int waiting = people(parties, true);
        String words = words(seats, taken, keptBack, parties);
        return seats > MOST_MARKS
                ? inProportion(seats, taken, keptBack, waiting, mark, words)
                : seatBySeat(seats, taken, keptBack, parties, mark, words);
    }

    /** As {@link #of} where only numbers are known. */
    public static SeatStrip ofCounts(int seats, int keptBack, int taken, int waitingPeople, double mark) {
        List<Party> parties = new ArrayList<>();
        for (int i = 0; i < taken && seats <= MOST_MARKS; i++) {
            parties.add(new Party(1, Use.TAKEN, ""));
        }
        if (taken > 0 && seats > MOST_MARKS) {
            parties.add(new Party(taken, Use.TAKEN, ""));
        }
        if (waitingPeople > 0) {
            parties.add(new Party(waitingPeople, Use.WAITING, ""));
        }
        return of(seats, keptBack, parties, mark);
    }

    private static int people(List<Party> parties, boolean waiting) {
        return parties.stream()
                .filter(p -> (p.use() == Use.WAITING) == waiting)
                .mapToInt(Party::size)
                .sum();
    }

    private static String words(int seats, int taken, int keptBack, List<Party> parties) {
        long waiting = parties.stream().filter(p -> p.use() == Use.WAITING).count();
        return taken + " of " + seats + " taken"
                + (keptBack > 0 ? ", " + keptBack + " kept back" : "")
                + (waiting > 0 ? ", " + people(parties, true) + " waiting" : "");
    }

    private static SeatStrip seatBySeat(
            int seats, int taken, int keptBack, List<Party> parties, double mark, String words) {
        double step = mark * 1.35;
        Pen pen = new Pen(step, mark);
        parties.stream().filter(p -> p.use() != Use.WAITING).forEach(pen::seatedParty);
        int free = Math.max(0, seats - taken - keptBack);
        pen.single(Math.min(keptBack, Math.max(0, seats - taken)), Use.KEPT_BACK);
        pen.single(free, Use.FREE);
        double capacityX = pen.x + mark * 0.3;
        pen.x = capacityX + mark * 0.7;
        parties.stream().filter(p -> p.use() == Use.WAITING).forEach(pen::waitingParty);
        return new SeatStrip(pen.x + mark, mark * 2, capacityX, pen.marks, pen.labels, words);
    }

    private static SeatStrip inProportion(int seats, int taken, int keptBack, int waiting, double mark, String words) {
        double full = MOST_MARKS * mark * 1.1;
        double perSeat = full / seats;
        List<Mark> marks = new ArrayList<>();
        double takenWidth = Math.min(full, taken * perSeat);
        marks.add(new Mark(0, takenWidth, Use.TAKEN));
        double keptWidth = Math.min(full - takenWidth, keptBack * perSeat);
        marks.add(new Mark(takenWidth, full - takenWidth - keptWidth, Use.FREE));
        marks.add(new Mark(full - keptWidth, keptWidth, Use.KEPT_BACK));
        double waitingWidth = Math.min(full / 3, waiting * perSeat);
        marks.add(new Mark(full + mark, waitingWidth, Use.WAITING));
        marks.removeIf(m -> m.width() <= 0);
        double end = full + mark + waitingWidth + mark;
        return new SeatStrip(end, mark * 2, full + mark * 0.5, marks, List.of(), words);
    }

    /** The strip as an SVG element, in its own size. Its words stand in for it where it cannot be seen. */
    public String markup() {
        Svg svg = new Svg()
                .begin("svg")
                .with("class", "strip")
                .with("role", "img")
                .with("aria-label", words)
                .with("width", width)
                .with("height", fullHeight())
                .with("viewBox", "0 0 " + width + " " + fullHeight())
                .inside();
        if (isProportional()) {
            drawShares(svg);
        } else {
            drawMarks(svg);
        }
        if (!labels.isEmpty() || marks.stream().anyMatch(m -> m.use() == Use.WAITING)) {
            svg.begin("line").with("class", "capacity").with("x1", capacityX).with("x2", capacityX);
            svg.with("y1", 0).with("y2", height).end();
        }
        for (Label label : labels) {
            svg.words("waiter", label.x(), height + 15, label.text());
        }
        return svg.end("svg").toString();
    }

    private void drawShares(Svg svg) {
        for (Mark mark : marks) {
            svg.begin("rect").with("class", "share-" + mark.use().code()).with("x", mark.x());
            svg.with("width", mark.width())
                    .with("y", 0)
                    .with("height", height - 3)
                    .end();
        }
        svg.begin("rect").with("class", "foot").with("x", 0).with("y", height - 3);
        svg.with("width", capacityX).with("height", 3).end();
    }

    private void drawMarks(Svg svg) {
        double scale = height / 2 / SeatMarks.UNITS_WIDE;
        svg.begin("g").with("transform", "scale(" + scale + ")").inside();
        for (SeatMarks.Layer layer : SeatMarks.layers(marks, scale)) {
            svg.begin("path")
                    .with("class", layer.code())
                    .with("d", layer.path())
                    .end();
        }
        svg.end("g");
    }

    boolean isProportional() {
        return marks.stream().anyMatch(m -> m.width() > height);
    }

    /** Draws from left to right. */
    private static final class Pen {
        private final double step;
        private final double mark;
        private final List<Mark> marks = new ArrayList<>();
        private final List<Label> labels = new ArrayList<>();
        private double x;
        private int place;

        Pen(double step, double mark) {
            this.step = step;
            this.mark = mark;
        }

        void seatedParty(Party party) {
            draw(party, Use.COMPANION);
        }

        void waitingParty(Party party) {
            place++;
            if (party.size() > FEW_WAITING) {
                labels.add(new Label(x, "+ " + party.size()));
                x += mark * 3;
                return;
            }
            if (!party.name().isEmpty()) {
                labels.add(new Label(x, place + " " + party.name()));
            }
            double from = x;
            draw(party, Use.WAITING);
            x = party.name().isEmpty()
                    ? x
                    : Math.max(x, from + mark * 0.45 * (party.name().length() + 3));
        }

        private void draw(Party party, Use others) {
            for (int i = 0; i < party.size(); i++) {
                marks.add(new Mark(x, mark, i == 0 ? party.use() : others));
                x += i + 1 < party.size() ? mark * 1.08 : step;
            }
            x += party.size() > 1 ? mark * PARTY_GAP / 2 : 0;
        }

        void single(int count, Use use) {
            for (int i = 0; i < count; i++) {
                marks.add(new Mark(x, mark, use));
                x += step;
            }
        }
    }
}
