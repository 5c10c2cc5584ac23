package jollyroster.people;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.roster.Registration;
import jollyroster.roster.RosterQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** People: found by name or address, each with the sessions they registered for. */
@DeskPage
class PeopleController {

    private static final int PAGE = 60;
    private static final int LAST_PAGE = 10_000;
    private final RosterQueries roster;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;

    PeopleController(RosterQueries roster, ProgrammeQueries programme, OrganisationQueries organisation) {
        this.roster = roster;
        this.programme = programme;
        this.organisation = organisation;
    }

    record Line(long id, String name, String email, String phone, String city, int registrations, String last) {}

    record Seat(long session, String title, String when, String state, String stateWord, int party) {}

    @GetMapping("/desk/people")
    String people(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "0") int page, Model model) {
        String sought = q.strip().substring(0, Math.min(q.strip().length(), 100));
        int at = Math.max(0, Math.min(page, LAST_PAGE));
        List<RosterQueries.Person> found = roster.people(sought, at, PAGE + 1);
        model.addAttribute("q", sought);
        model.addAttribute("page", at);
        model.addAttribute("more", found.size() > PAGE);
        model.addAttribute("total", roster.peopleCount());
        model.addAttribute("people", found.stream().limit(PAGE).map(this::line).toList());
        return "people/people";
    }

    private Line line(RosterQueries.Person p) {
        String last = Optional.ofNullable(p.last())
                .map((Instant at) ->
                        Times.day(at.atZone(organisation.organisation().zone())))
                .orElse("");
        return new Line(p.id(), p.name(), p.email(), p.phone(), Times.city(p.zone()), p.registrations(), last);
    }

    @GetMapping("/desk/people/{id}")
    String person(@PathVariable long id, Model model) {
        List<Registration> registrations = roster.ofPerson(id);
        if (registrations.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        Map<Long, Session> sessions =
                programme
                        .sessions(registrations.stream()
                                .map(Registration::session)
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(Session::id, Function.identity()));
        model.addAttribute("person", registrations.get(0));
        model.addAttribute("city", Times.city(registrations.get(0).zone()));
        model.addAttribute(
                "seats",
                registrations.stream()
                        .map(r -> seat(r, sessions.get(r.session())))
                        .toList());
        return "people/person";
    }

    private static Seat seat(Registration r, Session s) {
        return new Seat(
                s.id(),
                s.offering().title(),
                Times.dayAndTime(s.start(), s.zone()),
                r.state().code(),
                r.state().word(),
                r.party());
    }
}
