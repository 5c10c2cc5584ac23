package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.Admission;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.ArrivalCommands.Who;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.door.PersonalDoor.Arriving;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Submission;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The join link: counts down, then hands over. Bad tokens learn nothing. */
@Controller
class DoorController {

    private final PersonalLinks links;
    private final PersonalDoor door;
    private final PersonalDoorView views;
    private final DoorCookies cookies;
    private final ArrivalCommands commands;
    private final Entrances entrances;

    DoorController(
            PersonalLinks links,
            PersonalDoor door,
            PersonalDoorView views,
            DoorCookies cookies,
            ArrivalCommands commands,
            Entrances entrances) {
        this.links = links;
        this.door = door;
        this.views = views;
        this.cookies = cookies;
        this.commands = commands;
        this.entrances = entrances;
    }

    @GetMapping("/join/{token}")
    String join(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        Optional<Arriving> arriving = door.arriving(token, request);
        if (arriving.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        Arriving at = arriving.get();
        if (at.meets() == Admission.COME_IN && at.session().isOnline()) {
            Optional<String> entry = entry(at, token);
            if (entry.isPresent()) {
                letIn(at, request, response);
                return "redirect:" + entry.get();
            }
            model.addAttribute("late", true);
        }
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("door", views.of(at, token));
        model.addAttribute("submission", Submission.fresh());
        return "door/join";
    }

    /** The browser may come back; and where no service reports who comes, the door keeps note. */
    private void letIn(Arriving at, HttpServletRequest request, HttpServletResponse response) {
        cookies.keepLetIn(at.session(), at.link(), request, response);
        if (!Entrances.isReported(at.session())) {
            commands.letIn(
                    at.session().id(),
                    Who.registered(Arrival.Kind.LET_IN, at.who()),
                    Actor.visitor(at.who().name()));
        }
    }

    /** What a waiting page asks from time to time; the door may be moved while somebody stands before it. */
    @GetMapping("/join/{token}/state")
    ResponseEntity<Map<String, Object>> state(@PathVariable String token, HttpServletRequest request) {
        return door.arriving(token, request)
                .map(at ->
                        ResponseEntity.ok().header("Cache-Control", "no-store").body(views.state(at)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @PostMapping("/join/{token}/knock")
    String knock(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String form,
            HttpServletRequest request,
            HttpServletResponse response) {
        door.arriving(token, request).ifPresent(at -> {
            boolean again = at.meets() == Admission.TURNED_AWAY;
            boolean first = at.meets() == Admission.KNOCKS || at.meets() == Admission.SECOND;
            if (again) {
                at.knocked().ifPresent(a -> commands.knockAgain(a.id(), Actor.visitor(a.name())));
            } else if (first) {
                knock(at, Submission.read(form), request, response);
            }
        });
        return "redirect:/join/" + token;
    }

    private void knock(Arriving at, String submission, HttpServletRequest request, HttpServletResponse response) {
        Arrival.Kind kind = at.meets() == Admission.SECOND ? Arrival.Kind.SECOND : Arrival.Kind.KNOCKS;
        commands.knock(
                        at.session().id(),
                        Who.registered(kind, at.who()),
                        submission,
                        Actor.visitor(at.who().name()))
                .ifPresent(link -> cookies.keepKnock(at.session(), link, request, response));
    }

    /** Where the person goes in: where there are turns, by the page beside the meeting. Empty while the service has no room. */
    private Optional<String> entry(Arriving at, String token) {
        if (at.session().offering().door().hasTurns()) {
            return Optional.of("/live/" + token);
        }
        return entrances.way(
                at.session(), new Coming(at.who().name(), links.issue(Purpose.MEETING_PASS, at.link()), false));
    }
}
