package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.GuestDoor.Standing;
import jollyroster.door.GuestKnocking.Outcome;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Submission;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The guest link: a stranger says who they are, waits, and goes in when somebody admits them. */
@Controller
class GuestController {

    private final GuestDoor door;
    private final GuestDoorView views;
    private final DoorCookies cookies;
    private final ArrivalCommands commands;
    private final GuestKnocking knocking;
    private final Entrances entrances;
    private final KnockLimit limit;
    private final PersonalLinks links;

    GuestController(
            GuestDoor door,
            GuestDoorView views,
            DoorCookies cookies,
            ArrivalCommands commands,
            GuestKnocking knocking,
            Entrances entrances,
            KnockLimit limit,
            PersonalLinks links) {
        this.door = door;
        this.views = views;
        this.cookies = cookies;
        this.commands = commands;
        this.knocking = knocking;
        this.entrances = entrances;
        this.limit = limit;
        this.links = links;
    }

    @GetMapping("/g/{token}")
    String door(@PathVariable String token, HttpServletRequest request, HttpServletResponse response, Model model) {
        Optional<Standing> found = door.standing(token, request);
        if (found.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        response.setHeader("Cache-Control", "no-store");
        Standing at = found.get();
        if (at.meets() == GuestMeets.INSIDE && at.session().isOnline()) {
            Optional<String> way = way(at);
            if (way.isPresent()) {
                return "redirect:" + way.get();
            }
        }
        return shown(at, token, model);
    }

    private String shown(Standing at, String token, Model model) {
        model.addAttribute("door", views.of(at, token));
        model.addAttribute("submission", Submission.fresh());
        return "door/guest";
    }

    private Optional<String> way(Standing at) {
        Arrival who = at.arrival().orElseThrow();
        if (at.session().offering().door().hasTurns()) {
            return Optional.of("/live/" + links.issue(Purpose.ARRIVAL, who.link()));
        }
        return entrances.way(at.session(), new Coming(who.name(), links.issue(Purpose.ARRIVAL, who.link()), false));
    }

    /** What a waiting page asks from time to time. */
    @GetMapping("/g/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token, HttpServletRequest request) {
        return door.standing(token, request)
                .map(at ->
                        ResponseEntity.ok().header("Cache-Control", "no-store").body(views.state(at)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @PostMapping("/g/{token}/knock")
    String knock(
            @PathVariable String token,
            @ModelAttribute("typed") GuestKnocking.Form typed,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<Standing> found = door.standing(token, request);
        if (found.isEmpty() || found.get().meets() != GuestMeets.SAYS_WHO) {
            return "redirect:/g/" + token;
        }
        Standing at = found.get();
        Outcome outcome = knocking.knock(at.link(), at.session(), typed, request.getRemoteAddr());
        if (outcome instanceof Outcome.Knocked knocked) {
            cookies.keepKnock(at.session(), knocked.link(), request, response);
            return "redirect:/g/" + token;
        }
        if (outcome instanceof Outcome.Problem problem) {
            response.setStatus(
                    problem.tooMany() ? HttpStatus.TOO_MANY_REQUESTS.value() : HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("problem", problem.words());
        }
        if (outcome instanceof Outcome.CodeAsked asked) {
            model.addAttribute("codeAsked", true);
            model.addAttribute("problem", asked.problem());
        }
        return shown(at, token, model);
    }

    @PostMapping("/g/{token}/again")
    String knockAgain(@PathVariable String token, HttpServletRequest request) {
        door.standing(token, request)
                .filter(at -> limit.mayKnock(
                        request.getRemoteAddr(), "session-" + at.session().id()))
                .flatMap(Standing::arrival)
                .ifPresent(a -> commands.knockAgain(a.id(), Actor.visitor(a.name())));
        return "redirect:/g/" + token;
    }
}
