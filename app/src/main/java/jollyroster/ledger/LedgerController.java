package jollyroster.ledger;

import java.time.Clock;
import java.util.List;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.SignedIn;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.team.TeamQueries;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The programme by date: filtered, paged, saved as views. */
@DeskPage
class LedgerController {

    private final LedgerAssembler assembler;
    private final ProgrammeQueries queries;
    private final TeamQueries team;
    private final SavedViewQueries views;
    private final SavedViewCommands viewCommands;
    private final SignedIn signedIn;
    private final Clock clock;

    LedgerController(
            LedgerAssembler assembler,
            ProgrammeQueries queries,
            TeamQueries team,
            SavedViewQueries views,
            SavedViewCommands viewCommands,
            SignedIn signedIn,
            Clock clock) {
        this.assembler = assembler;
        this.queries = queries;
        this.team = team;
        this.views = views;
        this.viewCommands = viewCommands;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    @GetMapping("/desk/programme")
    String ledger(@ModelAttribute("filter") LedgerFilter filter, Model model) {
        boolean organiser = signedIn.isOrganiser();
        model.addAttribute("ledger", assembler.page(filter, signedIn.actor(), clock.instant()));
        model.addAttribute("organiser", organiser);
        model.addAttribute("states", LedgerFilter.STATES);
        model.addAttribute("hosts", team.hosts());
        model.addAttribute("venues", queries.venues());
        model.addAttribute("templates", organiser ? queries.patterns() : List.of());
        model.addAttribute("views", signedIn.member().map(m -> views.of(m.id())).orElse(List.of()));
        return "ledger/ledger";
    }

    @PostMapping("/desk/programme/views")
    String saveView(
            @RequestParam(defaultValue = "") String name,
            @ModelAttribute LedgerFilter filter,
            RedirectAttributes flash,
            Actor actor) {
        String clean = Text.oneLine(name, 60);
        signedIn.member().filter(m -> !clean.isEmpty()).ifPresent(m -> {
            boolean saved = viewCommands.save(m.id(), clean, filter.query(), actor);
            flash.addFlashAttribute(
                    saved ? "said" : "warned", saved ? "View saved." : "There are 30 views already; remove one first.");
        });
        return "redirect:/desk/programme?" + filter.query();
    }

    @PostMapping("/desk/programme/views/{view}/forget")
    String forgetView(@PathVariable long view, Actor actor) {
        signedIn.member().ifPresent(m -> viewCommands.forget(m.id(), view, actor));
        return "redirect:/desk/programme";
    }
}
