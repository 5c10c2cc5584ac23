package jollyroster.sheet;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.core.readiness.Finding;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingCommands.Copy;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Part;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The offering's sheet: reads like a briefing, and is changed section by section; see {@link PartController}. */
@DeskPage
class SheetController {

    private static final int LONGEST_TITLE = 120;
    private final ProgrammeQueries queries;
    private final OfferingCommands commands;
    private final SheetAssembler assembler;
    private final ReadinessCheck readiness;
    private final OrganisationQueries organisation;
    private final Clock clock;

    SheetController(
            ProgrammeQueries queries,
            OfferingCommands commands,
            SheetAssembler assembler,
            ReadinessCheck readiness,
            OrganisationQueries organisation,
            Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.assembler = assembler;
        this.readiness = readiness;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** Starts a draft with this title, from a template when one is chosen. */
    @PostMapping("/desk/offerings")
    String draft(
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "") String pattern,
            RedirectAttributes flash,
            Actor actor) {
        String named = named(title, "");
        if (named.isEmpty()) {
            flash.addFlashAttribute("warned", "Not created yet: give it a title first. Its address comes from it.");
            return "redirect:/desk/offerings#new";
        }
        Optional<Long> copy = Text.isNumber(pattern, 1, Integer.MAX_VALUE)
                ? commands.copy(Long.parseLong(pattern), named, Copy.DRAFT_WITHOUT_DATES, actor)
                : Optional.empty();
        return to(copy.orElseGet(
                () -> commands.draft(named, organisation.organisation().zone(), actor)));
    }

    private static String named(String title, String otherwise) {
        String clean = Text.oneLine(title, LONGEST_TITLE);
        return clean.isEmpty() ? otherwise : clean;
    }

    private static String to(long offering) {
        return "redirect:/desk/offerings/" + offering;
    }

    /** @param open the code of the section that is to be open; anything else leaves all closed */
    @GetMapping("/desk/offerings/{id}")
    String sheet(@PathVariable long id, @RequestParam(defaultValue = "") String open, Model model) {
        Offering offering = known(id);
        Opened opened = Part.of(open)
                .map(part -> Opened.kept(part, assembler.form(part, offering)))
                .orElse(Opened.NOTHING);
        return assembler.page(model, offering, opened, clock.instant());
    }

    private Offering known(long id) {
        return queries.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /**
     * Turns an offering to another status. Publishing is refused while something stops it, and asks once, naming them,
     * while other findings are open.
     */
    @PostMapping("/desk/offerings/{id}/turn")
    String turn(
            @PathVariable long id,
            @RequestParam OfferingStatus to,
            @RequestParam(defaultValue = "false") boolean anyway,
            RedirectAttributes flash,
            Actor actor) {
        Offering offering = known(id);
        List<Finding> findings = to == OfferingStatus.PUBLISHED
                ? readiness.of(offering, queries.sessionsOf(id), clock.instant())
                : List.of();
        if (has(findings, Finding.Severity.STOPS)) {
            flash.addFlashAttribute("warned", "Not published yet: the checks beside the sections say what is missing.");
        } else if (has(findings, Finding.Severity.ODD) && !anyway) {
            flash.addFlashAttribute(
                    "ask",
                    findings.stream()
                            .filter(f -> f.kind().severity() == Finding.Severity.ODD)
                            .map(f -> ReadinessView.note(f, offering.zone()))
                            .toList());
        } else {
            commands.turn(id, to, actor);
            flash.addFlashAttribute("said", saidOf(to));
        }
        return to(id);
    }

    private static boolean has(List<Finding> findings, Finding.Severity severity) {
        return findings.stream().anyMatch(f -> f.kind().severity() == severity);
    }

    private static String saidOf(OfferingStatus status) {
        return switch (status) {
            case PUBLISHED -> "Published. People can register now.";
            case CLOSED -> "Closed. Nobody can register any more; those on it stay.";
            case DRAFT -> "Back to draft. Only the team sees it.";
        };
    }

    @PostMapping("/desk/offerings/{id}/copy")
    String copy(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String title,
            @RequestParam Copy as,
            RedirectAttributes flash,
            Actor actor) {
        Offering offering = known(id);
        String otherwise = as == Copy.PATTERN ? offering.title() + " template" : offering.title() + " again";
        long copy =
                commands.copy(id, named(title, named(otherwise, "")), as, actor).orElseThrow();
        flash.addFlashAttribute(
                "said",
                as == Copy.PATTERN
                        ? "Saved as a template. New offerings can start from it."
                        : "This is the copy. Only the team sees it.");
        return to(copy);
    }

    @PostMapping("/desk/offerings/{id}/discard")
    String discard(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        Offering offering = known(id);
        if (commands.discard(id, actor)) {
            flash.addFlashAttribute("said", "“" + offering.title() + "” is discarded.");
            return "redirect:/desk/programme";
        }
        flash.addFlashAttribute("warned", "Not discarded: it is published, or people are on it.");
        return to(id);
    }
}
