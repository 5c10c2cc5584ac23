package jollyroster.team;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Contact;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Names;
import jollyroster.platform.PersonalLinks;
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
    private final HostNameQueries names;
    private final HostNameCommands naming;
    private final PersonalLinks links;
    private final SignedIn signedIn;

    TeamController(
            TeamQueries queries,
            AccountCommands commands,
            HostNameQueries names,
            HostNameCommands naming,
            PersonalLinks links,
            SignedIn signedIn) {
        this.names = names;
        this.naming = naming;
        this.links = links;
        this.queries = queries;
        this.commands = commands;
        this.signedIn = signedIn;
    }

    @GetMapping("/desk/setup/team")
    String team(Model model) {
        model.addAttribute("team", queries.members());
        model.addAttribute("roles", Role.values());
        Map<Long, String> all = names.all();
        List<TeamQueries.Mate> shown =
                queries.members().stream().filter(HostNames::hasPage).toList();
        model.addAttribute(
                "pages", shown.stream().collect(Collectors.toMap(TeamQueries.Mate::id, m -> all.get(m.id()))));
        model.addAttribute(
                "feeds",
                shown.stream()
                        .collect(Collectors.toMap(
                                TeamQueries.Mate::id, m -> links.hostFeed(new Link(m.id(), m.generation())))));
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
            String why = Names.problem(name).orElse("This is not an e-mail address.");
            notInvited(". " + why, new Typed(name, email, role), flash);
        } else if (commands.invite(who.get(), where.get(), role, actor).isEmpty()) {
            notInvited(": that address is on the team already.", new Typed(name, email, role), flash);
        } else {
            String leads = role == Role.HELPER ? "." : ", and can be given sessions to lead from now on.";
            flash.addFlashAttribute("said", who.get() + " is invited" + leads);
        }
        return back();
    }

    /** Whom somebody wanted to invite. */
    public record Typed(String name, String email, Role role) {}

    private static void notInvited(String why, Typed typed, RedirectAttributes flash) {
        flash.addFlashAttribute("warned", "Nobody was invited" + why);
        flash.addFlashAttribute("typed", typed);
    }

    private static String back() {
        return "redirect:/desk/setup/team";
    }

    /** Names a member in addresses; the earlier name leads on. */
    @PostMapping("/desk/setup/team/{id}/name")
    String name(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String slug,
            RedirectAttributes flash,
            Actor actor) {
        Optional<String> now = slug.isBlank() ? Optional.empty() : naming.rename(id, slug, actor);
        flash.addFlashAttribute(
                now.isPresent() ? "said" : "warned",
                now.map(name -> "The page is /h/" + name + " now; the earlier address leads there.")
                        .orElse(
                                slug.isBlank()
                                        ? "Not changed: give the page a name."
                                        : "Not changed: somebody else has that address, or had it."));
        return back();
    }

    @PostMapping("/desk/setup/team/{id}/calendar")
    String renewCalendar(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        boolean done = commands.renewCalendar(id, actor);
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done
                        ? "The calendar has a new address; the earlier one shows nothing any more."
                        : "Not changed: they have not joined yet.");
        return back();
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
