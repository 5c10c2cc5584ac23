package jollyroster.sheet;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.core.readiness.Finding;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.PictureCommands;
import jollyroster.platform.Pictures;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingCommands.Copy;
import jollyroster.programme.OfferingCommands.Saved;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The offering's sheet: read like the page attendees see, changed in place. */
@DeskPage
class SheetController {

    private static final int LONGEST_TITLE = 120;
    private final ProgrammeQueries queries;
    private final HostQueries hosts;
    private final OfferingCommands commands;
    private final SheetAssembler assembler;
    private final ReadinessCheck readiness;
    private final PictureCommands pictures;
    private final OrganisationQueries organisation;
    private final Clock clock;

    SheetController(
            ProgrammeQueries queries,
            HostQueries hosts,
            OfferingCommands commands,
            SheetAssembler assembler,
            ReadinessCheck readiness,
            PictureCommands pictures,
            OrganisationQueries organisation,
            Clock clock) {
        this.queries = queries;
        this.hosts = hosts;
        this.commands = commands;
        this.assembler = assembler;
        this.readiness = readiness;
        this.pictures = pictures;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** Starts a draft, from a pattern when one is chosen. */
    @PostMapping("/desk/offerings")
    String draft(
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "") String pattern,
            Actor actor) {
        String named = named(title, "Untitled offering");
        Optional<Long> copy = Text.isNumber(pattern, 1, Integer.MAX_VALUE)
                ? commands.copy(Long.parseLong(pattern), named, Copy.DRAFT_WITHOUT_DATES, actor)
                : Optional.empty();
        return to(copy.orElseGet(
                () -> commands.draft(named, organisation.organisation().zone(), actor)));
    }

    private static String named(String title, String otherwise) {
        String clean = Text.oneLine(title.substring(0, Math.min(title.length(), 400)));
        return clean.isEmpty() ? otherwise : clean.substring(0, Math.min(clean.length(), LONGEST_TITLE));
    }

    private static String to(long offering) {
        return "redirect:/desk/offerings/" + offering;
    }

    @GetMapping("/desk/offerings/{id}")
    String sheet(@PathVariable long id, Model model) {
        Offering offering = known(id);
        return assembler.page(model, offering, form(offering), Map.of());
    }

    private Offering known(long id) {
        return queries.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private SheetForm form(Offering offering) {
        List<Long> leaders =
                hosts.ofOffering(offering.id()).stream().map(h -> h.id()).toList();
        return KeptSheet.form(offering, leaders, queries.questions(offering.id()));
    }

    @PostMapping("/desk/offerings/{id}")
    String save(
            @PathVariable long id,
            @ModelAttribute SheetForm form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Offering offering = known(id);
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            return again(model, response, HttpStatus.UNPROCESSABLE_CONTENT, offering, form, problems);
        }
        Saved saved = commands.save(id, form.version(), form.sections(), actor);
        if (saved == Saved.OVERTAKEN) {
            model.addAttribute("overtaken", true);
            return again(model, response, HttpStatus.CONFLICT, offering, form, Map.of());
        }
        if (saved == Saved.STYLE_HELD) {
            Map<String, String> held = Map.of(
                    "signup.style", "People are registered already; how they registered can no longer be changed.");
            return again(model, response, HttpStatus.CONFLICT, offering, form, held);
        }
        flash.addFlashAttribute("said", "Kept.");
        return to(id);
    }

    private String again(
            Model model,
            HttpServletResponse response,
            HttpStatus status,
            Offering offering,
            SheetForm form,
            Map<String, String> problems) {
        response.setStatus(status.value());
        return assembler.page(model, offering, form, problems);
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
            flash.addFlashAttribute("warned", "Not published yet: see the margin for what is missing.");
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
        String otherwise = as == Copy.PATTERN ? offering.title() + " pattern" : offering.title() + " again";
        long copy =
                commands.copy(id, named(title, named(otherwise, "")), as, actor).orElseThrow();
        flash.addFlashAttribute(
                "said",
                as == Copy.PATTERN
                        ? "Saved as a pattern. New offerings can start from it."
                        : "This is the copy. Only the team sees it.");
        return to(copy);
    }

    /** Asks as well what is asked on another offering. */
    @PostMapping("/desk/offerings/{id}/questions")
    String takeQuestions(
            @PathVariable long id, @RequestParam(defaultValue = "0") long from, RedirectAttributes flash, Actor actor) {
        known(id);
        known(from);
        commands.takeQuestions(from, id, actor);
        flash.addFlashAttribute("said", "The questions are on this sheet now, at its end.");
        return to(id) + "#intake";
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

    @PostMapping("/desk/offerings/{id}/picture")
    String picture(
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        known(id);
        if (file == null || file.isEmpty()) {
            commands.setPicture(id, "", actor);
            flash.addFlashAttribute("said", "No picture now.");
            return to(id) + "#picture";
        }
        Optional<Pictures.Fresh> fresh =
                file.getSize() > Pictures.LARGEST_FILE ? Optional.empty() : Pictures.photograph(file.getBytes());
        fresh.ifPresentOrElse(
                picture -> {
                    commands.setPicture(id, pictures.keep(picture, actor), actor);
                    flash.addFlashAttribute("said", "Picture kept.");
                },
                () -> flash.addFlashAttribute(
                        "warned", "Not kept: it must be a JPEG, PNG or GIF of at most 5 MB and 40 million pixels."));
        return to(id) + "#picture";
    }
}
