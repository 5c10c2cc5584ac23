package jollyroster.door;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.door.Knock;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Those who wait at a door, with who they probably are and what they answered. */
@Component
class DoorRows {

    /** Whoever is behind these moves up; a page of hundreds would be no use to anybody. */
    static final int SHOWN = 40;

    private final Recognition recognition;
    private final DoorAnswers answers;

    DoorRows(Recognition recognition, DoorAnswers answers) {
        this.recognition = recognition;
        this.answers = answers;
    }

    /**
     * Somebody who waits.
     *
     * @param match whose registration it probably is; 0 for nobody's
     * @param asked whether they were asked to wait
     * @param second whether somebody is inside with their link
     * @param first whether they are here for the first time
     * @param answers to the questions that are chosen for the door; empty for none
     */
    record Row(
            long id,
            String since,
            String name,
            String what,
            String probably,
            String strong,
            long match,
            boolean asked,
            boolean second,
            boolean first,
            String word,
            String answers) {}

    List<Row> of(Session session, List<Arrival> waiting, Instant now) {
        List<Arrival> first = waiting.subList(0, Math.min(SHOWN, waiting.size()));
        Recognition.Guesses guesses = recognition.of(session, first);
        Map<Long, String> said = answers.of(
                session,
                first.stream()
                        .map(a -> whose(a, guesses.of(a)))
                        .filter(registration -> registration != 0)
                        .toList());
        return first.stream()
                .map(a -> row(a, guesses.of(a), said.getOrDefault(whose(a, guesses.of(a)), ""), now))
                .toList();
    }

    private static long whose(Arrival a, Recognition.Guess guess) {
        return a.registration() != 0 ? a.registration() : guess.match();
    }

    private static Row row(Arrival a, Recognition.Guess guess, String answers, Instant now) {
        return new Row(
                a.id(),
                waited(Duration.between(a.at(), now)),
                a.name(),
                Stream.of(a.email() + (a.proven() && a.kind() == Arrival.Kind.GUEST ? " (confirmed)" : ""), a.says())
                        .filter(text -> !text.isEmpty())
                        .collect(Collectors.joining(" · ")),
                guess.words(),
                guess.name(),
                guess.match(),
                a.state() == Knock.ASKED_TO_WAIT,
                a.kind() == Arrival.Kind.SECOND,
                guess.first(),
                a.word(),
                answers);
    }

    /** {@code 15 s}, {@code 1 min 50}. */
    static String waited(Duration time) {
        long seconds = Math.max(0, time.toSeconds());
        if (seconds < 60) {
            return seconds + " s";
        }
        return seconds < 3600
                ? "%d min %02d".formatted(seconds / 60, seconds % 60)
                : seconds / 3600 + " h " + seconds % 3600 / 60 + " min";
    }
}
