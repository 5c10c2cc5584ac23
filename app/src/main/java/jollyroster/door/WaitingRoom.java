package jollyroster.door;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.ExpectedWait;
import jollyroster.core.door.Knock;
import jollyroster.platform.Markdown;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What somebody reads while they wait at a door. */
@Component
class WaitingRoom {

    private static final int OTHERS = 5;
    private final ArrivalQueries arrivals;
    private final DoorNoteQueries notes;

    WaitingRoom(ArrivalQueries arrivals, DoorNoteQueries notes) {
        this.arrivals = arrivals;
        this.notes = notes;
    }

    /**
     * Somebody at a door, as their page shows it.
     *
     * @param inLine their place; 0 for none
     * @param others how long others waited; empty where that is not known
     * @param welcome as safe HTML; empty for none
     * @param note what the host says to all
     */
    record View(
            String meets,
            String name,
            String word,
            int inLine,
            String others,
            String welcome,
            String note,
            String address) {}

    View view(Session session, String meets, Optional<Arrival> arrival, String address) {
        return new View(
                meets,
                arrival.map(Arrival::name).orElse(""),
                arrival.map(Arrival::word).orElse(""),
                inLine(arrival),
                others(session),
                Markdown.toSafeHtml(session.offering().door().welcome()),
                note(session),
                address);
    }

    /** What a waiting page asks from time to time. */
    Map<String, Object> state(Session session, String meets, long secondsLeft, Optional<Arrival> arrival) {
        return Map.of(
                "meets",
                meets,
                "secondsLeft",
                secondsLeft,
                "place",
                inLine(arrival),
                "word",
                arrival.map(Arrival::word).orElse(""),
                "note",
                note(session));
    }

    private int inLine(Optional<Arrival> arrival) {
        return arrival.filter(a -> a.state().isAtTheDoor())
                .map(a -> arrivals.before(a) + 1)
                .orElse(0);
    }

    String note(Session session) {
        return notes.of(session.id());
    }

    /** How long those waited who were let in last. */
    private String others(Session session) {
        List<Duration> waits = arrivals.of(session.id()).stream()
                .filter(a -> a.state() == Knock.INSIDE && a.settled().isPresent())
                .sorted(Comparator.comparing((Arrival a) -> a.settled().orElseThrow())
                        .reversed())
                .limit(OTHERS)
                .map(a -> Duration.between(a.at(), a.settled().orElseThrow()))
                .toList();
        return ExpectedWait.ofOthers(waits).map(Times::length).orElse("");
    }
}
