package jollyroster.setup;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.schedule.Outcome;
import jollyroster.schedule.OutcomeWords;
import jollyroster.schedule.VenueChangeCommands;
import jollyroster.schedule.VenueReach;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: venues, each changed once for everything that uses it. */
@DeskPage
class VenueController {

    private final ProgrammeQueries queries;
    private final VenueCommands venues;
    private final VenueChangeCommands changes;
    private final VenueReach reach;

    VenueController(ProgrammeQueries queries, VenueCommands venues, VenueChangeCommands changes, VenueReach reach) {
        this.queries = queries;
        this.venues = venues;
        this.changes = changes;
        this.reach = reach;
    }

    /** A venue in the list. */
    record Line(Venue venue, String where, int sessions, int people) {}

    @GetMapping("/desk/setup/venues")
    String list(Model model) {
        return page(model, VenueCommands.Form.of(Venue.Kind.PLACE, "", ""), Map.of());
    }

    private String page(Model model, VenueCommands.Form form, Map<String, String> problems) {
        Map<Long, VenueReach.Reach> reached = reach.all();
        List<Line> lines = queries.allVenues().stream()
                .map(v -> line(v, reached.getOrDefault(v.id(), VenueReach.Reach.NOTHING)))
                .toList();
        model.addAttribute("venues", lines);
        model.addAttribute("kinds", Venue.Kind.values());
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        return "setup/venues";
    }

    private static Line line(Venue v, VenueReach.Reach reach) {
        String where = switch (v.kind()) {
            case PLACE -> v.address();
            case PHONE -> v.phone();
            case FIXED_LINK -> v.link();
            case MADE_LINK -> "made by the meeting service";
        };
        return new Line(v, where, reach.sessions(), reach.people());
    }

    @PostMapping("/desk/setup/venues")
    String add(
            @ModelAttribute VenueCommands.Form form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Map<String, String> problems = form.problems();
        if (problems.isEmpty() && venues.add(form, actor).isEmpty()) {
            problems = Map.of("name", "There is a venue of this name already.");
        }
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(model, form, problems);
        }
        flash.addFlashAttribute("said", "Venue added.");
        return "redirect:/desk/setup/venues";
    }

    private Venue known(long id) {
        return queries.venue(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/setup/venues/{id}")
    String venue(@PathVariable long id, Model model) {
        Venue venue = known(id);
        return edit(model, venue, VenueCommands.Form.of(venue), venue.version(), Map.of());
    }

    private String edit(Model model, Venue venue, VenueCommands.Form form, int version, Map<String, String> problems) {
        model.addAttribute("venue", venue);
        model.addAttribute("version", version);
        model.addAttribute("reach", reach.of(venue.id()));
        model.addAttribute("kinds", Venue.Kind.values());
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        return "setup/venue";
    }

    /** Shows how many sessions and people a change reaches, and makes it once that was seen. */
    @PostMapping("/desk/setup/venues/{id}")
    String change(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") int version,
            @RequestParam(defaultValue = "false") boolean seen,
            @ModelAttribute VenueCommands.Form form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Venue venue = known(id);
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return edit(model, venue, form, version, problems);
        }
        if (!seen && reach.of(id).sessions() > 0) {
            model.addAttribute("ask", true);
            model.addAttribute("tells", form.leadsElsewhere(venue));
            return edit(model, venue, form, version, Map.of());
        }
        Outcome outcome = changes.change(id, version, form, actor);
        if (outcome instanceof Outcome.Refused) {
            response.setStatus(HttpStatus.CONFLICT.value());
            return edit(
                    model,
                    venue,
                    form,
                    version,
                    Map.of(
                            "name",
                            "Somebody changed this venue meanwhile, or the name is taken. Nothing was changed."));
        }
        flash.addFlashAttribute("said", OutcomeWords.of(outcome));
        flash.addFlashAttribute("undo", OutcomeWords.undo(outcome));
        return "redirect:/desk/setup/venues";
    }

    @PostMapping("/desk/setup/venues/{id}/retire")
    String retire(
            @PathVariable long id,
            @RequestParam(defaultValue = "true") boolean retired,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        venues.retire(id, retired, actor);
        flash.addFlashAttribute(
                "said", retired ? "No longer offered for choosing. What uses it goes on using it." : "Offered again.");
        return "redirect:/desk/setup/venues";
    }
}
