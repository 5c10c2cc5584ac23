package jollyroster.plans;

import java.util.List;
import jollyroster.core.intake.Text;
import jollyroster.outbox.EntryWording;
import jollyroster.outbox.EntryWordingCommands;
import jollyroster.outbox.EntryWords;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the entries of an offering say in calendars. */
@DeskPage
class EntryController {

    private final EntryWordingCommands commands;
    private final ProgrammeQueries programme;

    EntryController(EntryWordingCommands commands, ProgrammeQueries programme) {
        this.commands = commands;
        this.programme = programme;
    }

    @PostMapping("/desk/offerings/{id}/plan/entry")
    String set(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "") String description,
            @RequestParam(defaultValue = "") String hostTitle,
            @RequestParam(defaultValue = "false") boolean request,
            RedirectAttributes flash,
            Actor actor) {
        programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        int most = 2 * EntryWording.LONGEST_DESCRIPTION;
        EntryWording words = new EntryWording(
                Text.oneLine(title, most),
                Text.manyLines(description.substring(0, Math.min(description.length(), most))),
                Text.oneLine(hostTitle, most),
                request);
        List<String> faults = EntryWords.faults(words);
        if (faults.isEmpty()) {
            commands.set(id, words, actor);
            flash.addFlashAttribute("said", "Saved. Entries say it from their next change on.");
        } else {
            flash.addFlashAttribute("warned", "Not saved: " + String.join(" ", faults));
            flash.addFlashAttribute("entry", words);
        }
        return "redirect:/desk/offerings/" + id + "/plan#entry";
    }
}
