package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Finds people as whom a message can be read before it goes. */
@Component
class Readers {

    private static final int MOST = 12;
    private static final int MOST_DATES = 6;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final Clock clock;

    Readers(ProgrammeQueries programme, RegistrationQueries roster, Clock clock) {
        this.programme = programme;
        this.roster = roster;
        this.clock = clock;
    }

    /** Somebody registered. @param where their clock, and what they are registered for where it is not said */
    public record Reader(long registration, String name, String where) {}

    /** Some who are registered for the next dates of an offering, or of any; their clocks as different as may be. */
    List<Reader> of(long offering) {
        Instant now = clock.instant();
        List<Session> all = offering == 0 ? programme.coming(now) : programme.sessionsOf(offering);
        List<Session> next = all.stream()
                .filter(s -> !s.cancelled() && s.end().isAfter(now))
                .sorted(Comparator.comparing(Session::start))
                .limit(MOST_DATES)
                .toList();
        Map<Long, List<Registration>> rosters =
                roster.rosters(next.stream().map(Session::book).distinct().toList());
        return next.stream()
                .flatMap(s -> apart(rosters.getOrDefault(s.book(), List.of())).map(r -> reader(r, s, offering == 0)))
                .distinct()
                .limit(MOST)
                .toList();
    }

    /** One for each clock. */
    private static Stream<Registration> apart(List<Registration> all) {
        return all.stream()
                .filter(r -> RegistrationState.ACTIVE.contains(r.state()))
                .collect(Collectors.toMap(Registration::zone, r -> r, (first, other) -> first, LinkedHashMap::new))
                .values()
                .stream();
    }

    private static Reader reader(Registration r, Session s, boolean any) {
        String where =
                Times.city(r.zone()) + " time" + (any ? ", " + s.offering().title() : "");
        return new Reader(r.id(), r.name(), where);
    }

    /** The clocks of all who are registered for a session. */
    List<ZoneId> clocks(Session session) {
        return roster.roster(session.book()).stream()
                .filter(r -> r.state().mayJoin())
                .map(Registration::zone)
                .toList();
    }

    /** The session a registration is for. */
    Optional<Long> session(long registration) {
        return roster.registration(registration).map(Registration::session);
    }
}
