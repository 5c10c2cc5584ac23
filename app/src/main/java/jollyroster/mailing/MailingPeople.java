package jollyroster.mailing;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.answers.GivenQueries;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.attendance.Verdict;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Finds whom a letter to many is for. Whoever is on several of the sessions gets it once. */
@Component
class MailingPeople {

    private final ProgrammeQueries programme;
    private final RegistrationQueries rosters;
    private final AttendanceQueries attendance;
    private final GivenQueries given;
    private final Clock clock;

    MailingPeople(
            ProgrammeQueries programme,
            RegistrationQueries rosters,
            AttendanceQueries attendance,
            GivenQueries given,
            Clock clock) {
        this.programme = programme;
        this.rosters = rosters;
        this.attendance = attendance;
        this.given = given;
        this.clock = clock;
    }

    /** Somebody a letter is for. */
    record Chosen(long session, long registration, String name) {}

    List<Chosen> of(MailingForm form) {
        Map<Long, Chosen> byPerson = new LinkedHashMap<>();
        for (Session s : programme.sessions(form.sessions())) {
            Set<Verdict> verdicts = form.verdicts();
            Map<Long, AttendanceQueries.Attended> were =
                    verdicts.isEmpty() ? Map.of() : attendance.ofSession(s.id(), s.held(), now());
            for (Registration r : rosters.roster(s.book())) {
                boolean fits = form.states().contains(r.state())
                        && !r.email().isEmpty()
                        && (verdicts.isEmpty() || verdicts.contains(verdict(were, r)))
                        && (form.asked().isEmpty() || answered(form, r));
                if (fits) {
                    byPerson.putIfAbsent(r.person(), new Chosen(r.session(), r.id(), r.name()));
                }
            }
        }
        return List.copyOf(byPerson.values());
    }

    private Instant now() {
        return clock.instant();
    }

    private static Verdict verdict(Map<Long, AttendanceQueries.Attended> were, Registration r) {
        return were.containsKey(r.id()) ? were.get(r.id()).verdict() : Verdict.ABSENT;
    }

    private boolean answered(MailingForm form, Registration r) {
        String answer = given.answersOf(r.id()).getOrDefault(form.asked(), "");
        return answer.lines().anyMatch(form.answered()::equalsIgnoreCase) || answer.equalsIgnoreCase(form.answered());
    }
}
