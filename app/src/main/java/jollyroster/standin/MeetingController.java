package jollyroster.standin;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The room of the meeting stand-in: who is inside, and a way out. */
@Controller
class MeetingController {

    private final MeetingQueries queries;
    private final MeetingCommands commands;
    private final Reporter reporter;
    private final Clock clock;

    MeetingController(MeetingQueries queries, MeetingCommands commands, Reporter reporter, Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.reporter = reporter;
        this.clock = clock;
    }

    @GetMapping("/standin/meeting/{visit}")
    String room(@PathVariable String visit, Model model, HttpServletResponse response) {
        Instant now = clock.instant();
        Optional<MeetingQueries.Visit> ticket = queries.visit(visit);
        response.setHeader("Cache-Control", "no-store");
        if (ticket.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        if (commands.enter(visit, now)) {
            reporter.report("joined", visit, ticket.get().guest(), now);
        }
        boolean shut = !ticket.get().closes().isAfter(now);
        boolean inside = ticket.get().left().isEmpty() && !shut;
        model.addAttribute("visit", ticket.get());
        model.addAttribute("isInside", inside);
        model.addAttribute("isShut", shut);
        model.addAttribute("inside", inside ? queries.inside(ticket.get().room()) : List.of());
        return "standin/meeting";
    }

    /** Lets an organiser see what happens when the service is slow or broken. */
    @PostMapping("/standin/meeting/mood")
    String mood(@RequestParam MeetingCommands.Mood mood, RedirectAttributes flash) {
        commands.setMood(mood);
        flash.addFlashAttribute(
                "said", "The meeting stand-in is now " + mood.name().toLowerCase(Locale.ROOT) + ".");
        return "redirect:/desk/setup/venues";
    }

    /** Also called by the browser when the page is left, which is why it needs no token. */
    @PostMapping("/standin/meeting/{visit}/leave")
    String leave(@PathVariable String visit) {
        Instant now = clock.instant();
        if (commands.leave(visit, now)) {
            queries.visit(visit).ifPresent(v -> reporter.report("left", visit, v.guest(), now));
        }
        return "redirect:/standin/meeting/" + visit;
    }
}
