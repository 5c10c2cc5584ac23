package jollyroster.standin;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The room of the meeting stand-in: who is inside, and a way out. */
@Controller
class MeetingController {

    private final MeetingQueries queries;
    private final MeetingCommands commands;
    private final MeetingStandin standin;
    private final Reporter reporter;
    private final Clock clock;

    MeetingController(
            MeetingQueries queries, MeetingCommands commands, MeetingStandin standin, Reporter reporter, Clock clock) {
        this.standin = standin;
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
            reporter.report(standin.reporting(), "joined", visit, ticket.get().guest(), now);
        }
        boolean shut = !ticket.get().closes().isAfter(now);
        boolean inside = ticket.get().left().isEmpty() && !shut;
        model.addAttribute("visit", ticket.get());
        model.addAttribute("isInside", inside);
        model.addAttribute("isShut", shut);
        model.addAttribute("inside", inside ? queries.inside(ticket.get().room()) : List.of());
        return "standin/meeting";
    }

    @GetMapping("/standin/meeting/mood")
    String mood(Model model) {
        model.addAttribute("moods", MeetingStandin.Mood.values());
        model.addAttribute("mood", standin.mood().name());
        model.addAttribute("reportings", MeetingStandin.Reporting.values());
        model.addAttribute("reporting", standin.reporting().name());
        return "standin/mood";
    }

    /** Lets an organiser see what happens when the service is slow or broken. */
    @PostMapping("/standin/meeting/mood")
    String mood(
            @RequestParam MeetingStandin.Mood mood,
            @RequestParam(defaultValue = "PROMPT") MeetingStandin.Reporting reporting) {
        standin.setMood(mood);
        standin.setReporting(reporting);
        return "redirect:/standin/meeting/mood";
    }

    /** Where somebody grants what the program asks for, as at an outside service. */
    @GetMapping("/standin/meeting/consent")
    String consent(@RequestParam(defaultValue = "") String state, Model model) {
        model.addAttribute("state", state);
        model.addAttribute("permissions", standin.permissions());
        model.addAttribute("grant", MeetingStandin.GRANT);
        return "standin/consent";
    }

    /** Also called by the browser when the page is left, which is why it needs no token. */
    @PostMapping("/standin/meeting/{visit}/leave")
    String leave(@PathVariable String visit) {
        Instant now = clock.instant();
        if (commands.leave(visit, now)) {
            queries.visit(visit).ifPresent(v -> reporter.report(standin.reporting(), "left", visit, v.guest(), now));
        }
        return "redirect:/standin/meeting/" + visit;
    }
}
