package jollyroster.turns;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.TurnLine;
import jollyroster.turns.Turn.State;

/** The line of a session as it stands: who waits and for how long yet, who is with the host, and what is done. */
public record Line(List<Turn> waiting, List<Turn> present, List<Turn> done, Duration usual, Instant now) {

    static Line of(List<Turn> turns, Duration planned, Instant now) {
        List<Turn> done = in(turns, State.DONE);
        Duration usual = TurnLine.usual(done.stream().map(t -> t.length(now)).toList(), planned);
        return new Line(in(turns, State.WAITING), in(turns, State.CALLED), done, usual, now);
    }

    private static List<Turn> in(List<Turn> turns, State state) {
        return turns.stream().filter(t -> t.state() == state).toList();
    }

    /** How many in line are before somebody; those who have stepped out for too long have lost their place. */
    int before(Turn turn) {
        return (int) waiting.stream()
                .takeWhile(t -> t.id() != turn.id())
                .filter(t -> !t.isAway(now))
                .count();
    }

    /** How long somebody in line may expect to wait. With several hosts the one whose turn ends first comes next. */
    Duration expected(Turn turn) {
        Optional<Duration> running = present.stream().map(t -> t.length(now)).max(Duration::compareTo);
        return TurnLine.expected(before(turn), usual, running);
    }
}
