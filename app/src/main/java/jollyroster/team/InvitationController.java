package jollyroster.team;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where an invitation leads: a new member of the team chooses a password. */
@Controller
class InvitationController {

    private final TeamQueries queries;
    private final AccountCommands commands;
    private final PersonalLinks links;

    InvitationController(TeamQueries queries, AccountCommands commands, PersonalLinks links) {
        this.queries = queries;
        this.commands = commands;
        this.links = links;
    }

    private Optional<TeamQueries.Mate> invited(String token) {
        return links.read(Purpose.INVITATION, token)
                .flatMap(link -> queries.member(link.id())
                        .filter(m -> m.generation() == link.generation() && !m.joined() && m.active()));
    }

    @GetMapping("/team/join/{token}")
    String join(@PathVariable String token, Model model, HttpServletResponse response) {
        return page(token, model, response, "");
    }

    private String page(String token, Model model, HttpServletResponse response, String problem) {
        response.setHeader("Cache-Control", "no-store");
        Optional<TeamQueries.Mate> invited = invited(token);
        if (invited.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        model.addAttribute("mate", invited.get());
        model.addAttribute("token", token);
        model.addAttribute("problem", problem);
        return "team/accept";
    }

    @PostMapping("/team/join/{token}")
    String accept(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String password,
            Model model,
            HttpServletResponse response,
            Actor actor) {
        if (!Passwords.isFit(password)) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(token, model, response, Passwords.RULE);
        }
        Optional<Link> link = links.read(Purpose.INVITATION, token);
        if (link.isEmpty() || !commands.accept(link.get(), password, actor)) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        return "redirect:/sign-in?ready";
    }
}
