package jollyroster.telling;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** The sheet of the day of whoever leads sessions: who comes, what they answered and what they bring. */
@Component
class DaySheets {

    private static final Duration A_DAY = Duration.ofDays(1);
    private static final int MOST_PEOPLE = 200;
    private static final int MOST_ANSWERS = 3;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final RegistrationQueries rosters;
    private final GivenQueries given;
    private final Address address;

    DaySheets(
            ProgrammeQueries programme,
            HostQueries hosts,
            RegistrationQueries rosters,
            GivenQueries given,
            Address address) {
        this.programme = programme;
        this.hosts = hosts;
        this.rosters = rosters;
        this.given = given;
        this.address = address;
    }

    /** The sheet of a member for the day that begins; empty when they lead nothing. */
    Optional<Facts> of(long account, Instant from, ZoneId home) {
        List<Session> all = programme.between(from, from.plus(A_DAY)).stream()
                .filter(s -> !s.cancelled() && !s.start().isBefore(from))
                .sorted(Comparator.comparing(Session::start))
                .toList();
        Map<Long, List<HostQueries.Host>> leaders = hosts.of(all);
        List<Session> theirs = all.stream()
                .filter(s -> leaders.getOrDefault(s.id(), List.of()).stream().anyMatch(host -> host.id() == account))
                .toList();
        return theirs.isEmpty()
                ? Optional.empty()
                : Optional.of(Facts.of("day", Times.longDay(from.atZone(home)))
                        .andEach("sessions", theirs.stream().map(this::session).toList()));
    }

    private Facts session(Session s) {
        List<Registration> people = rosters.roster(s.book()).stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .sorted(Comparator.comparing(Registration::name))
                .toList();
        return Facts.of("title", s.offering().title())
                .and("starts", Times.hours(s.zonedStart(), s.end().atZone(s.zone())))
                .and("place", s.isOnline() ? "Online" : s.place())
                .and("bring", s.offering().bring())
                .and("nobody", people.isEmpty())
                .andLines(
                        "people",
                        people.stream().limit(MOST_PEOPLE).map(this::person).toList())
                .and("session_link", address.of("/desk/sessions/" + s.id()));
    }

    private String person(Registration r) {
        String answers = given.answersOf(r.id()).entrySet().stream()
                .filter(answer -> !answer.getValue().isBlank())
                .limit(MOST_ANSWERS)
                .map(answer -> answer.getKey() + ": " + answer.getValue().replace("\n", ", "))
                .collect(Collectors.joining("; "));
        String party = r.party() == 1 ? "" : " and " + (r.party() - 1) + " more";
        String note = r.remarks().note().isEmpty() ? "" : " (" + r.remarks().note() + ")";
        return r.name() + party + note + (answers.isEmpty() ? "" : ", " + answers);
    }
}
