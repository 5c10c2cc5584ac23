package jollyroster.setup;

import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import jollyroster.door.MeetingProvider;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OutsideService;
import jollyroster.platform.ServiceCutCommands;
import jollyroster.platform.ServiceCuts;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: the services outside of the program, whether they work, and what they may do. */
@DeskPage
class ConnectionsController {

    private static final String STATE = "connection-state";
    private static final String BACK = "redirect:/desk/setup/connections";
    private final MeetingProvider meetings;
    private final OutsideService service;
    private final Connections connections;
    private final ServiceCuts cuts;
    private final ServiceCutCommands commands;
    private final LinkCommands links;
    private final ProgrammeQueries programme;
    private final Clock clock;

    ConnectionsController(
            MeetingProvider meetings,
            @Qualifier("meetingService") OutsideService service,
            Connections connections,
            ServiceCuts cuts,
            ServiceCutCommands commands,
            LinkCommands links,
            ProgrammeQueries programme,
            Clock clock) {
        this.meetings = meetings;
        this.service = service;
        this.connections = connections;
        this.cuts = cuts;
        this.commands = commands;
        this.links = links;
        this.programme = programme;
        this.clock = clock;
    }

    @GetMapping("/desk/setup/connections")
    String connections(Model model) {
        Optional<ServiceCuts.Cut> cut = cuts.of(ServiceCuts.MEETINGS);
        model.addAttribute("name", meetings.name());
        model.addAttribute("permissions", meetings.permissions());
        model.addAttribute("grantedBy", meetings.grantedBy());
        model.addAttribute(
                "cut", cut.map(c -> connections.at(c.at()) + " by " + c.by()).orElse(""));
        model.addAttribute("stands", stands(cut));
        model.addAttribute("well", cut.isEmpty() && service.outSince().isEmpty());
        model.addAttribute(
                "need", need(programme.wantingTheService(clock.instant()).size()));
        model.addAttribute("services", connections.others());
        return "setup/connections";
    }

    private String stands(Optional<ServiceCuts.Cut> cut) {
        if (cut.isPresent()) {
            return "Cut off";
        }
        return service.outSince()
                .map(since -> "Has not answered since " + connections.at(since))
                .orElse("Connected");
    }

    private static String need(int sessions) {
        return switch (sessions) {
            case 0 -> "No session to come needs it.";
            case 1 -> "One session to come needs it.";
            default -> sessions + " sessions to come need it.";
        };
    }

    /** Goes to where it is granted; what comes back must carry what was sent along. */
    @PostMapping("/desk/setup/connections/meetings/connect")
    String connect(HttpSession session, Actor actor) {
        actor.requireOrganiser();
        String state = UUID.randomUUID().toString();
        session.setAttribute(STATE, state);
        return "redirect:" + meetings.consent(state);
    }

    @GetMapping("/desk/setup/connections/meetings/granted")
    String granted(
            @RequestParam(defaultValue = "") String state,
            @RequestParam(defaultValue = "") String grant,
            HttpSession session,
            RedirectAttributes flash,
            Actor actor) {
        Object sent = session.getAttribute(STATE);
        session.removeAttribute(STATE);
        if (sent == null || !sent.equals(state)) {
            flash.addFlashAttribute("warned", "Not connected: this was not asked for from here. Please connect again.");
        } else if (!meetings.take(grant)) {
            flash.addFlashAttribute("warned", "Not connected: the service was not allowed to be used.");
        } else {
            commands.connect(ServiceCuts.MEETINGS, actor);
            links.askAllAgain(actor);
            flash.addFlashAttribute("said", "Connected. Missing rooms are made within a minute.");
        }
        return BACK;
    }

    @PostMapping("/desk/setup/connections/meetings/cut")
    String cut(RedirectAttributes flash, Actor actor) {
        commands.cut(ServiceCuts.MEETINGS, actor);
        service.ask(() -> {
            meetings.revoke();
            return true;
        });
        flash.addFlashAttribute("said", "Cut off. Nothing is asked of the service any more.");
        return BACK;
    }

    @PostMapping("/desk/setup/connections/meetings/test")
    String test(RedirectAttributes flash, Actor actor) {
        actor.requireOrganiser();
        if (cuts.isCut(ServiceCuts.MEETINGS)) {
            flash.addFlashAttribute("warned", "The service is cut off.");
            return BACK;
        }
        Optional<String> trouble = service.ask(meetings::trouble).orElse(Optional.of("The service does not answer."));
        flash.addFlashAttribute(
                trouble.isEmpty() ? "said" : "warned", trouble.orElse("It works: the service answered."));
        return BACK;
    }
}
