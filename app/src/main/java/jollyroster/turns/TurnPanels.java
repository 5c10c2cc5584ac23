package jollyroster.turns;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import jollyroster.chart.TurnsDrawing;
import jollyroster.door.Attenders.Attender;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** The line of a session as its host and as somebody in it see it. */
@Component
public class TurnPanels {

    private final TurnQueries turns;
    private final Clock clock;

    TurnPanels(TurnQueries turns, Clock clock) {
        this.turns = turns;
        this.clock = clock;
    }

    /** The line as its host sees it. @param drawing as SVG @param usual how long a turn takes, and where that comes from */
    record View(List<Present> present, List<Row> waiting, List<Done> done, String drawing, String usual) {}

    /** Somebody who is with the host. @param over whether it takes longer than usual */
    record Present(long id, String name, String host, long seconds, String length, boolean over, String note) {}

    /** Somebody in line. @param out how long they have been away; empty for somebody who is there */
    record Row(long id, String name, String since, String expected, String out, boolean lost) {}

    /** A turn that has ended. */
    record Done(long id, String when, String name, String host, String length, String note) {}

    /** How somebody stands in line. @param state {@code none}, {@code waiting}, {@code out}, {@code lost} or {@code called} */
    public record Mine(String state, int before, String expected, String host, long turn) {

        /** For where there is no line. */
        public static final Mine NONE = new Mine("none", 0, "", "", 0);
    }

    Line line(Session session) {
        return Line.of(
                turns.of(session.id()),
                Duration.ofMinutes(session.offering().door().turnMinutes()),
                clock.instant());
    }

    View view(Session session) {
        Line line = line(session);
        return new View(
                line.present().stream().map(t -> present(t, line)).toList(),
                line.waiting().stream().map(t -> row(t, line)).toList(),
                line.done().stream().map(t -> done(t, session, line)).toList(),
                drawing(session, line),
                line.done().isEmpty()
                        ? "planned: " + Times.length(line.usual()) + " each"
                        : "so far " + Times.length(line.usual()) + " each");
    }

    private static Present present(Turn t, Line line) {
        Duration length = t.length(line.now());
        return new Present(
                t.id(),
                t.name(),
                t.host(),
                length.toSeconds(),
                clockFace(length),
                length.compareTo(line.usual()) > 0,
                t.note());
    }

    /** {@code 4:05}. */
    static String clockFace(Duration length) {
        return "%d:%02d".formatted(length.toMinutes(), length.toSecondsPart());
    }

    private static Row row(Turn t, Line line) {
        return new Row(
                t.id(),
                t.name(),
                about(Duration.between(t.asked(), line.now())),
                about(line.expected(t)),
                t.out().map(since -> about(Duration.between(since, line.now()))).orElse(""),
                t.isAway(line.now()));
    }

    /** In whole minutes. */
    private static String about(Duration wait) {
        long minutes = (wait.toSeconds() + 30) / 60;
        return minutes < 1 ? "under a minute" : Times.length(Duration.ofMinutes(minutes));
    }

    private static Done done(Turn t, Session session, Line line) {
        return new Done(
                t.id(),
                Times.time(t.began().orElse(t.asked()).atZone(session.zone())),
                t.name(),
                t.host(),
                about(t.length(line.now())),
                t.note());
    }

    private static String drawing(Session session, Line line) {
        TurnsDrawing drawing = new TurnsDrawing(session.start(), session.end(), session.zone(), line.now());
        line.done().forEach(t -> drawing.done(t.began().orElseThrow(), t.length(line.now()), t.name()));
        line.present()
                .forEach(t -> drawing.present(t.began().orElseThrow(), t.length(line.now()), line.usual(), t.name()));
        line.waiting().stream()
                .filter(t -> !t.isAway(line.now()))
                .forEach(t -> drawing.expected(line.now().plus(line.expected(t)), line.usual(), t.name()));
        return drawing.markup();
    }

    /** How somebody stands. */
    public Mine mine(Attender who) {
        Line line = line(who.session());
        Optional<Turn> called =
                line.present().stream().filter(t -> isTheirs(t, who)).findFirst();
        if (called.isPresent()) {
            return new Mine("called", 0, "", called.get().host(), called.get().id());
        }
        return line.waiting().stream()
                .filter(t -> isTheirs(t, who))
                .findFirst()
                .map(t -> new Mine(state(t, line), line.before(t), about(line.expected(t)), "", t.id()))
                .orElse(new Mine("none", line.waiting().size(), "", "", 0));
    }

    /** The turn that somebody has with the host now. */
    public Optional<Turn> called(Attender who) {
        return line(who.session()).present().stream()
                .filter(t -> isTheirs(t, who))
                .findFirst();
    }

    private static boolean isTheirs(Turn t, Attender who) {
        return who.registration() != 0 ? t.registration() == who.registration() : t.arrival() == who.arrival();
    }

    private static String state(Turn t, Line line) {
        return t.out().isEmpty() ? "waiting" : t.isAway(line.now()) ? "lost" : "out";
    }
}
