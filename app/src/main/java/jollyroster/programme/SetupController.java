package jollyroster.programme;

import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: the organisation and its venues. */
@DeskPage
class SetupController {

    private static final List<String> COLOURS =
            List.of("#1f5c4d", "#2f4f7f", "#7a3b1d", "#5a3470", "#14212b", "#8a1f3c");
    private final ProgrammeQueries queries;
    private final VenueCommands venues;
    private final OrganisationQueries organisation;
    private final OrganisationCommands commands;

    SetupController(
            ProgrammeQueries queries,
            VenueCommands venues,
            OrganisationQueries organisation,
            OrganisationCommands commands) {
        this.queries = queries;
        this.venues = venues;
        this.organisation = organisation;
        this.commands = commands;
    }

    @GetMapping("/desk/setup")
    String setup(Model model) {
        return page(model);
    }

    private String page(Model model) {
        model.addAttribute("organisation", organisation.organisation());
        model.addAttribute("venues", queries.venues());
        model.addAttribute("colours", COLOURS);
        model.addAttribute("zones", new TreeSet<>(ZoneId.getAvailableZoneIds()));
        return "programme/setup";
    }

    @PostMapping("/desk/setup/organisation")
    String organisation(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "") String contactEmail,
            @RequestParam(defaultValue = "") String region,
            @RequestParam(defaultValue = "") String colour,
            @RequestParam(defaultValue = "") String welcomeText,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        boolean fine = Contact.name(name).isPresent()
                && Times.zone(zone).isPresent()
                && Contact.email(contactEmail).isPresent()
                && region.matches("[A-Z]{2}")
                && COLOURS.contains(colour)
                && welcomeText.length() <= 500;
        if (!fine) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute(
                    "organisationProblem",
                    "Not kept: a name, a zone, an e-mail address, a country of two letters, a colour and at most 500 "
                            + "characters of text are needed.");
            return page(model);
        }
        commands.change(new Organisation(
                Text.oneLine(name),
                ZoneId.of(zone),
                region,
                Contact.email(contactEmail).orElseThrow(),
                colour,
                Text.manyLines(welcomeText)));
        flash.addFlashAttribute("said", "Kept.");
        return "redirect:/desk/setup";
    }

    @PostMapping("/desk/setup/venues")
    String venue(
            @ModelAttribute VenueCommands.Form form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Optional<String> problem = form.problem();
        if (problem.isEmpty() && venues.add(form).isEmpty()) {
            problem = Optional.of("There is a venue of this name already.");
        }
        if (problem.isPresent()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("venueProblem", problem.get());
            model.addAttribute("venueForm", form);
            return page(model);
        }
        flash.addFlashAttribute("said", "Venue added.");
        return "redirect:/desk/setup#venues";
    }
}
