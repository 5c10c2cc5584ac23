package jollyroster.signup;

import jakarta.servlet.http.HttpServletResponse;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registration;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Where somebody whose seats are held shows that the address is theirs. */
@Controller
class ConfirmController {

    private final OwnPage ownPage;
    private final HoldCommands holds;
    private final PersonalLinks links;

    ConfirmController(OwnPage ownPage, HoldCommands holds, PersonalLinks links) {
        this.ownPage = ownPage;
        this.holds = holds;
        this.links = links;
    }

    /** Where a letter leads that asks to confirm; confirming itself takes a click, so that no mail scanner does it. */
    @GetMapping("/confirm/{token}")
    ModelAndView toConfirm(@PathVariable String token, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        return links.read(Purpose.CONFIRM, token)
                .flatMap(ownPage::find)
                .map(found -> ownPage.show(found, false))
                .orElseGet(OwnSteps::unknown);
    }

    @PostMapping("/confirm/{token}")
    ModelAndView confirm(@PathVariable String token) {
        return links.read(Purpose.CONFIRM, token)
                .flatMap(ownPage::find)
                .map(this::confirmed)
                .orElseGet(OwnSteps::unknown);
    }

    private ModelAndView confirmed(OwnPage.Found found) {
        Registration r = found.registration();
        Link link = new Link(r.id(), r.generation());
        HoldCommands.Replied replied = holds.confirm(r.id(), r.self());
        return replied == HoldCommands.Replied.SEATED
                ? ownPage.confirmation(link)
                : OwnSteps.back(links.issue(Purpose.OWN_PAGE, link), replied);
    }
}
