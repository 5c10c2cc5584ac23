package jollyroster.schedule;

import java.time.Clock;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.outbox.UnsentQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What changing a venue reaches, counted for all venues in three queries. */
@Component
public class VenueReach {

    private final ProgrammeQueries programme;
    private final SeatCounts counts;
    private final UnsentQueries unsent;
    private final Clock clock;

    VenueReach(ProgrammeQueries programme, SeatCounts counts, UnsentQueries unsent, Clock clock) {
        this.programme = programme;
        this.counts = counts;
        this.unsent = unsent;
        this.clock = clock;
    }

    /**
     * @param sessions to come that meet there
     * @param people on them, seated or waiting; who is on a whole series counts once
     * @param messages that have not left
     */
    public record Reach(int sessions, int people, int messages) {
        public static final Reach NOTHING = new Reach(0, 0, 0);
    }

    /** By venue; venues nothing meets at are left out. */
    public Map<Long, Reach> all() {
        List<Session> coming = programme.coming(clock.instant());
        List<Long> ids = coming.stream().map(Session::id).toList();
        Map<Long, SeatCount> on = counts.of(ids);
        Map<Long, Integer> letters = unsent.of(ids);
        Map<Long, List<Session>> byVenue = coming.stream()
                .filter(s -> s.venue().isPresent())
                .collect(Collectors.groupingBy(s -> s.venue().orElseThrow().id()));
        Map<Long, Reach> reach = new HashMap<>();
        byVenue.forEach((venue, sessions) -> reach.put(venue, of(sessions, on, letters)));
        return reach;
    }

    public Reach of(long venue) {
        return all().getOrDefault(venue, Reach.NOTHING);
    }

    private static Reach of(List<Session> sessions, Map<Long, SeatCount> on, Map<Long, Integer> letters) {
        Set<Long> counted = new HashSet<>();
        int people = sessions.stream()
                .filter(s -> counted.add(s.book()))
                .mapToInt(s -> on.get(s.id()).taken() + on.get(s.id()).waitingPeople())
                .sum();
        int messages =
                sessions.stream().mapToInt(s -> letters.getOrDefault(s.id(), 0)).sum();
        return new Reach(sessions.size(), people, messages);
    }
}
