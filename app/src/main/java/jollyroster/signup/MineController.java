package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.chart.StateMark;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.people.LookupCommands;
import jollyroster.people.PersonQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All registrations of a person in one place, after a link in a letter. Who is known here is never said. */
@Controller
class MineController {

    private final PublicLimits limits;
    private final RegistrationQueries roster;
    private final LookupCommands lookup;
    private final PersonQueries people;
    private final ProgrammeQueries programme;
    private final PersonalLinks links;
    private final Clock clock;

    MineController(
            PublicLimits limits,
            RegistrationQueries roster,
            LookupCommands lookup,
            PersonQueries people,
            ProgrammeQueries programme,
            PersonalLinks links,
            Clock clock) {
        this.limits = limits;
        this.roster = roster;
        this.lookup = lookup;
        this.people = people;
        this.programme = programme;
        this.links = links;
        this.clock = clock;
    }

    /** A registration in the list. @param past whether it is over */
    record Line(String title, String when, String place, String state, String stateWord, String address, boolean past) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }
    }

    @GetMapping("/mine")
    String ask() {
        return "signup/mine";
    }

    @PostMapping("/mine")
    String send(
            @RequestParam(defaultValue = "") String email,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response,
            Actor actor) {
        Optional<String> address = Contact.email(email);
        if (address.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("problem", "This is not an e-mail address.");
        } else {
            if (limits.mayWrite(address.get(), 0, request.getRemoteAddr())) {
                lookup.sendLink(address.get(), actor);
            }
            model.addAttribute("sent", address.get());
        }
        model.addAttribute("email", email.substring(0, Math.min(email.length(), 254)));
        return "signup/mine";
    }

    @GetMapping("/mine/{token}")
    String mine(@PathVariable String token, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<Long> person = links.read(Purpose.PERSON, token).flatMap(people::personOf);
        if (person.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        List<Registration> all = roster.ofPerson(person.get());
        Map<Long, Session> sessions = programme
                .sessions(all.stream().map(Registration::session).toList())
                .stream()
                .collect(Collectors.toMap(Session::id, Function.identity(), (a, b) -> a));
        List<Line> lines =
                all.stream().map(r -> line(r, sessions.get(r.session()))).toList();
        model.addAttribute("coming", lines.stream().filter(l -> !l.past()).toList());
        model.addAttribute("past", lines.stream().filter(Line::past).toList());
        return "signup/mine";
    }

    private Line line(Registration r, Session s) {
        Instant now = clock.instant();
        return new Line(
                s.offering().title(),
                OfferingDates.whenThere(s, r.zone(), now),
                s.isOnline() ? "Online" : s.place(),
                r.state().code(),
                s.offering().word(r.state()),
                links.ownPage(new Link(r.id(), r.generation())),
                programme.datesOf(s).stream().noneMatch(d -> d.end().isAfter(now)));
    }
}
