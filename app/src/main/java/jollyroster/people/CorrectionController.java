package jollyroster.people;

import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.people.CorrectionCommands.Corrected;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Names;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Where an organiser puts a name or an address right. */
@DeskPage
class CorrectionController {

    private final CorrectionCommands corrections;

    CorrectionController(CorrectionCommands corrections) {
        this.corrections = corrections;
    }

    @PostMapping("/desk/people/{id}/correct")
    String correct(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            Actor actor,
            RedirectAttributes flash) {
        actor.requireOrganiser();
        Optional<String> called = Contact.name(name);
        Optional<String> address = email.isBlank() ? Optional.of("") : Contact.email(email);
        if (called.isEmpty() || address.isEmpty()) {
            flash.addFlashAttribute(
                    "warned", "Nothing was changed. " + Names.problem(name).orElse("This is not an e-mail address."));
            flash.addFlashAttribute("typed", new Typed(name, email));
        } else {
            Corrected came = corrections.correct(id, called.get(), address.get(), actor);
            boolean refused = came == Corrected.TAKEN || came == Corrected.UNKNOWN;
            flash.addFlashAttribute(refused ? "warned" : "said", words(came));
            if (refused) {
                flash.addFlashAttribute("typed", new Typed(name, email));
            }
        }
        return "redirect:/desk/people/" + id;
    }

    /** What was typed, to be shown again. */
    record Typed(String name, String email) {}

    private static String words(Corrected came) {
        return switch (came) {
            case DONE -> "Saved.";
            case READDRESSED -> "Saved. The old address is told, and new links go to the new one.";
            case SAME -> "Nothing had changed.";
            case TAKEN -> "Somebody else has this address. If they are the same person, merge the two.";
            case UNKNOWN -> "This person is no longer kept.";
        };
    }
}
