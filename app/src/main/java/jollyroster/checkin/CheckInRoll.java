package jollyroster.checkin;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.answers.GivenQueries;
import jollyroster.attendance.CheckInQueries;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** The parties of a session as the entrance needs them, and no more than that. */
@Component
class CheckInRoll {

    private final RegistrationQueries roster;
    private final CheckInQueries checkIns;
    private final ProgrammeQueries programme;
    private final GivenQueries given;
    private final Tickets tickets;

    CheckInRoll(
            RegistrationQueries roster,
            CheckInQueries checkIns,
            ProgrammeQueries programme,
            GivenQueries given,
            Tickets tickets) {
        this.roster = roster;
        this.checkIns = checkIns;
        this.programme = programme;
        this.given = given;
        this.tickets = tickets;
    }

    /** Somebody of a party. @param in the clock time since when they are in; empty for somebody who is not */
    record Person(int place, String name, String in) {}

    /**
     * A party.
     *
     * @param find what letters find it by
     * @param flag what is missing: money, an agreement; empty for nothing
     * @param ticket by what its ticket is known
     */
    record Party(long id, String name, String find, String flag, String ticket, List<Person> people) {

        public long inside() {
            return people.stream().filter(p -> !p.in().isEmpty()).count();
        }

        public boolean isWhole() {
            return inside() == people.size();
        }
    }

    List<Party> parties(Session session) {
        List<Registration> coming = roster.roster(session.book()).stream()
                .filter(r -> r.state().takesSeats())
                .sorted(Comparator.comparing(r -> Text.folded(r.name())))
                .toList();
        Map<Long, Map<Integer, Instant>> in = checkIns.in(session.id());
        Set<Long> agreeing = agreeing(session, coming);
        return coming.stream()
                .map(r -> new Party(
                        r.id(),
                        r.name(),
                        Text.folded(
                                r.name() + " " + String.join(" ", r.remarks().companions())),
                        flag(r, session, agreeing.contains(r.id())),
                        tickets.trace(r),
                        people(r, in.getOrDefault(r.id(), Map.of()), session)))
                .toList();
    }

    private static List<Person> people(Registration r, Map<Integer, Instant> in, Session session) {
        return IntStream.range(0, r.party())
                .mapToObj(place -> new Person(
                        place,
                        name(r, place),
                        in.containsKey(place) ? Times.time(in.get(place).atZone(session.zone())) : ""))
                .toList();
    }

    private static String name(Registration r, int place) {
        List<String> companions = r.remarks().companions();
        if (place == 0) {
            return r.name();
        }
        String known = place <= companions.size() ? companions.get(place - 1) : "";
        return known.isEmpty() ? "Companion " + place : known;
    }

    private static String flag(Registration r, Session session, boolean agreed) {
        if (r.state() == RegistrationState.UNCONFIRMED) {
            return session.offering().signUp().isPaid()
                    ? "not paid: " + r.due(session.offering().signUp().price()).inWords()
                    : "not confirmed";
        }
        return r.state() == RegistrationState.MAYBE ? "answered maybe" : agreed ? "" : "agreement missing";
    }

    /** Those who have agreed to all that must be agreed to. */
    private Set<Long> agreeing(Session session, List<Registration> coming) {
        List<Long> must = programme.questions(session.offering().id()).stream()
                .filter(q -> q.question().kind() == Question.Kind.AGREEMENT
                        && q.question().required())
                .map(AskedQuestion::id)
                .toList();
        List<Long> all = coming.stream().map(Registration::id).toList();
        Map<Long, Map<Long, String>> answers = must.isEmpty() ? Map.of() : given.answers(all);
        return all.stream()
                .filter(id -> answers.getOrDefault(id, Map.of()).keySet().containsAll(must))
                .collect(Collectors.toSet());
    }
}
