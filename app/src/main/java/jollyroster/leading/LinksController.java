package jollyroster.leading;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorKeepers;
import jollyroster.door.GuestLinkQueries;
import jollyroster.leading.Leader.Part;
import jollyroster.leading.LeaderCommands.Named;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.QrCode;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import jollyroster.team.TeamQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** All links into a session: of those who lead it, and of its guests. */
@DeskPage
class LinksController {

    private static final int LONGEST_NAME = 120;
    private final LeaderQueries leaders;
    private final LeaderCommands commands;
    private final GuestLinkQueries guests;
    private final DoorKeepers keepers;
    private final HostQueries hosts;
    private final TeamQueries team;

    LinksController(
            LeaderQueries leaders,
            LeaderCommands commands,
            GuestLinkQueries guests,
            DoorKeepers keepers,
            HostQueries hosts,
            TeamQueries team) {
        this.leaders = leaders;
        this.commands = commands;
        this.guests = guests;
        this.keepers = keepers;
        this.hosts = hosts;
        this.team = team;
    }

    /** The link of somebody who leads. @param qr as SVG */
    record LeaderRow(long id, String name, String email, String part, String address, String qr) {}

    /** A link for guests. */
    record GuestRow(String name, String address, String qr) {}

    /** Somebody of the team who has no link to this session yet. @param hosts whether they host it */
    record Mate(long id, String name, boolean hosts) {}

    @GetMapping("/desk/leading/{session}")
    String links(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        List<Leader> leading = leaders.of(session);
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("number", session);
        model.addAttribute("at", "/desk/leading/" + session);
        model.addAttribute("leaders", leading.stream().map(this::row).toList());
        model.addAttribute("mates", mates(at, leading));
        model.addAttribute(
                "guests",
                Stream.of(
                                guests.ofSession(session).map(link -> guest("This session", guests.address(link))),
                                guests.ofOffering(at.offering().id())
                                        .map(link -> guest(
                                                "Every session of "
                                                        + at.offering().title(),
                                                guests.address(link))))
                        .flatMap(Optional::stream)
                        .toList());
        return "leading/links";
    }

    private LeaderRow row(Leader leader) {
        String address = leaders.address(leader);
        return new LeaderRow(
                leader.id(),
                leader.name(),
                leader.email(),
                leader.part().word(),
                address,
                QrCode.of(address).svg());
    }

    private static GuestRow guest(String name, String address) {
        return new GuestRow(name, address, QrCode.of(address).svg());
    }

    private List<Mate> mates(Session at, List<Leader> leading) {
        List<Long> leads = hosts.of(at).stream().map(HostQueries.Host::id).toList();
        return team.members().stream()
                .filter(m -> m.active() && leading.stream().noneMatch(l -> l.account() == m.id()))
                .map(m -> new Mate(m.id(), m.name(), leads.contains(m.id())))
                .toList();
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** @param member of the team; 0 for somebody from outside, who is named */
    @PostMapping("/desk/leading/{session}")
    String add(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String part,
            @RequestParam(defaultValue = "0") long member,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        Optional<Part> chosen =
                Stream.of(Part.values()).filter(p -> p.name().equals(part)).findFirst();
        Optional<Named> who = chosen.flatMap(p -> member == 0 ? outsider(p, name, email) : mate(p, member));
        if (who.isEmpty()) {
            flash.addFlashAttribute("warned", "Please give a name and an e-mail address like name@example.org.");
        } else if (!commands.add(session, who.get(), actor)) {
            flash.addFlashAttribute("warned", "There is a link for this address already.");
        }
        return "redirect:/desk/leading/" + session;
    }

    private Optional<Named> mate(Part part, long member) {
        return team.members().stream()
                .filter(m -> m.id() == member && m.active())
                .findFirst()
                .map(m -> new Named(m.id(), part, m.name(), m.email()));
    }

    /** Whoever is not of the team can speak, and nothing else. */
    private static Optional<Named> outsider(Part part, String name, String email) {
        String line = Text.oneLine(name, LONGEST_NAME);
        return Contact.email(email)
                .filter(address -> !line.isEmpty() && part == Part.PRESENTER)
                .map(address -> new Named(0, part, line, address));
    }

    @PostMapping("/desk/leading/{session}/{leader}")
    String change(
            @PathVariable long session,
            @PathVariable long leader,
            @RequestParam(name = "do", defaultValue = "") String what,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        switch (what) {
            case "renew" -> {
                commands.renew(session, leader, actor);
                flash.addFlashAttribute("said", "There is a new link. The one before is not valid any more.");
            }
            case "remove" -> commands.remove(session, leader, actor);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return "redirect:/desk/leading/" + session;
    }
}
