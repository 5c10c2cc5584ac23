package jollyroster.door;

import java.time.Duration;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.core.door.NameMatch;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Who those at the door probably are, of all who are registered for the session or for another date of it. */
@Component
class Recognition {

    /** Names are compared for the first so many in line; the others get their turn when they have moved up. */
    private static final int MOST = 50;

    private static final int OTHER_DATES = 10;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;

    Recognition(RegistrationQueries roster, ProgrammeQueries programme) {
        this.roster = roster;
        this.programme = programme;
    }

    /** Who somebody may be. @param match the registration that one press joins; 0 for none @param first whether they never came before */
    record Guess(String words, String name, long match, boolean first) {

        static Guess words(String words) {
            return new Guess(words, "", 0, false);
        }
    }

    /** What is guessed about each who waits. */
    record Guesses(Map<Long, Guess> byArrival) {

        Guess of(Arrival arrival) {
            return byArrival.getOrDefault(arrival.id(), Guess.words(""));
        }
    }

    private record OtherDate(String day, List<NameMatch.Known> known) {}

    Guesses of(Session session, List<Arrival> waiting) {
        if (waiting.isEmpty()) {
            return new Guesses(Map.of());
        }
        Map<Long, Registration> here = roster.roster(session.book()).stream()
                .filter(r -> r.state().mayJoin())
                .collect(Collectors.toMap(Registration::id, Function.identity()));
        List<NameMatch.Known> known =
                here.values().stream().map(Recognition::known).toList();
        Set<Long> first = firstTimers(session, here.values());
        List<OtherDate> others = otherDates(session);
        Map<Long, Guess> guesses = new HashMap<>();
        waiting.stream().limit(MOST).forEach(a -> guesses.put(a.id(), guess(a, here, known, first, others)));
        return new Guesses(guesses);
    }

    private static Guess guess(
            Arrival a,
            Map<Long, Registration> here,
            List<NameMatch.Known> known,
            Set<Long> first,
            List<OtherDate> others) {
        if (a.registration() != 0) {
            String name = Optional.ofNullable(here.get(a.registration()))
                    .map(Registration::name)
                    .orElse("");
            return new Guess("registered as ", name, 0, first.contains(a.registration()));
        }
        return NameMatch.of(a.name(), a.email(), known)
                .map(found -> new Guess("probably ", found.name(), found.id(), first.contains(found.id())))
                .orElseGet(() -> others.stream()
                        .filter(date ->
                                NameMatch.of(a.name(), a.email(), date.known()).isPresent())
                        .findFirst()
                        .map(date -> Guess.words("registered for " + date.day() + ", not for today"))
                        .orElse(Guess.words("no registration with this name")));
    }

    /** The registrations of those who have none but this one. */
    private Set<Long> firstTimers(Session session, Collection<Registration> here) {
        Map<Long, Integer> before = roster.registrationsBefore(
                here.stream().map(Registration::person).toList(), session.book());
        return here.stream()
                .filter(r -> !before.containsKey(r.person()))
                .map(Registration::id)
                .collect(Collectors.toSet());
    }

    /** The dates nearest to this one. */
    private List<OtherDate> otherDates(Session session) {
        List<Session> others = programme.sessionsOf(session.offering().id()).stream()
                .filter(s -> s.id() != session.id() && s.lead() == null && !s.cancelled())
                .sorted(Comparator.comparing(
                        s -> Duration.between(session.start(), s.start()).abs()))
                .limit(OTHER_DATES)
                .toList();
        Map<Long, List<Registration>> rosters =
                roster.rosters(others.stream().map(Session::book).toList());
        return others.stream()
                .map(other -> new OtherDate(
                        Times.day(other.zonedStart()),
                        rosters.getOrDefault(other.book(), List.of()).stream()
                                .filter(r -> r.state().mayJoin())
                                .map(Recognition::known)
                                .toList()))
                .toList();
    }

    private static NameMatch.Known known(Registration r) {
        return new NameMatch.Known(r.id(), r.name(), r.email());
    }
}
