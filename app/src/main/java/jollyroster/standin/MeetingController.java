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

    /** @param way a ticket, or the visit it has become */
    @GetMapping("/standin/meeting/{way}")
    String room(@PathVariable String way, Model model, HttpServletResponse response) {
        Instant now = clock.instant();
        response.setHeader("Cache-Control", "no-store");
        Optional<MeetingTicket> ticket = standin.ticket(way);
        ticket.filter(t -> commands.enter(t, now))
                .ifPresent(t -> reporter.report(standin.reporting(), "joined", t.visit(), t.guest(), now));
        Optional<MeetingQueries.Visit> visit =
                queries.visit(ticket.map(MeetingTicket::visit).orElse(way));
        if (ticket.isEmpty() && visit.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        boolean inside =
                visit.filter(v -> v.left().isEmpty() && v.closes().isAfter(now)).isPresent();
        model.addAttribute(
                "title",
                visit.map(MeetingQueries.Visit::title)
                        .orElseGet(() -> ticket.map(MeetingTicket::title).orElse("")));
        model.addAttribute("visit", visit.orElse(null));
        model.addAttribute("isInside", inside);
        model.addAttribute("isShut", visit.map(v -> !v.closes().isAfter(now)).orElse(true));
        model.addAttribute("inside", inside ? queries.inside(visit.get().room()) : List.of());
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
