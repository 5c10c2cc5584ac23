package jollyroster.team;

import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Role;
import jollyroster.platform.SignedIn;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: the team, its roles and invitations. */
@DeskPage
class TeamController {

    private final TeamQueries queries;
    private final AccountCommands commands;
    private final SignedIn signedIn;

    TeamController(TeamQueries queries, AccountCommands commands, SignedIn signedIn) {
        this.queries = queries;
        this.commands = commands;
        this.signedIn = signedIn;
    }

    @GetMapping("/desk/setup/team")
    String team(Model model) {
        model.addAttribute("team", queries.members());
        model.addAttribute("roles", Role.values());
        model.addAttribute("me", signedIn.member().map(m -> m.id()).orElse(0L));
        return "team/team";
    }

    @PostMapping("/desk/setup/team")
    String invite(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            @RequestParam(defaultValue = "HOST") Role role,
            RedirectAttributes flash,
            Actor actor) {
        Optional<String> who = Contact.name(name);
        Optional<String> where = Contact.email(email);
        if (who.isEmpty() || where.isEmpty()) {
            flash.addFlashAttribute("warned", "Nobody was invited: a name and an e-mail address are needed.");
        } else if (commands.invite(who.get(), where.get(), role, actor).isEmpty()) {
            flash.addFlashAttribute("warned", "Nobody was invited: that address is on the team already.");
        } else {
            String leads = role == Role.HELPER ? "." : ", and can be given sessions to lead from now on.";
            flash.addFlashAttribute("said", who.get() + " is invited" + leads);
        }
        return back();
    }

    private static String back() {
        return "redirect:/desk/setup/team";
    }

    @PostMapping("/desk/setup/team/{id}/again")
    String again(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        boolean sent = commands.inviteAgain(id, actor);
        flash.addFlashAttribute(
                "said", sent ? "Invited again; the earlier link no longer works." : "They have joined.");
        return back();
    }

    @PostMapping("/desk/setup/team/{id}")
    String change(
            @PathVariable long id,
            @RequestParam Role role,
            @RequestParam(defaultValue = "false") boolean active,
            RedirectAttributes flash,
            Actor actor) {
        AccountCommands.Changed changed = commands.change(id, role, active, actor);
        boolean done = changed == AccountCommands.Changed.DONE;
        flash.addFlashAttribute(
                done ? "said" : "warned", done ? "Changed." : "Not changed: somebody must stay who may do everything.");
        return back();
    }
}
