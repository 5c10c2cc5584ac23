package jollyroster.signup;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.people.CorrectionCommands;
import jollyroster.people.CorrectionCommands.Corrected;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Where somebody shows that a new address is theirs; doing so takes a click, so that no mail scanner does it. */
@Controller
class AddressController {

    private static final Actor ACTOR = new Actor.Program("new address");
    private final CorrectionCommands corrections;
    private final PersonalLinks links;

    AddressController(CorrectionCommands corrections, PersonalLinks links) {
        this.corrections = corrections;
        this.links = links;
    }

    @GetMapping("/new-address/{token}")
    String ask(@PathVariable String token, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<String> email = link(token).flatMap(corrections::asked);
        if (email.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        model.addAttribute("token", token);
        model.addAttribute("email", email.get());
        return "signup/new-address";
    }

    @PostMapping("/new-address/{token}")
    String confirm(@PathVariable String token, Model model, HttpServletResponse response) {
        Corrected came =
                link(token).map(link -> corrections.confirm(link, ACTOR)).orElse(Corrected.UNKNOWN);
        if (came == Corrected.UNKNOWN) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        if (came == Corrected.TAKEN) {
            response.setStatus(HttpStatus.CONFLICT.value());
        }
        model.addAttribute("came", came.name());
        return "signup/new-address";
    }

    private Optional<Link> link(String token) {
        return links.read(Purpose.NEW_ADDRESS, token);
    }
}
