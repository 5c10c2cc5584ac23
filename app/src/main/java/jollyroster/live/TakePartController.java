package jollyroster.live;

import java.time.Clock;
import java.util.Optional;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.core.intake.Text;
import jollyroster.door.Attenders;
import jollyroster.door.Attenders.Attender;
import jollyroster.platform.Actor;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Whoever takes part asks, seconds and votes while the session goes on. */
@Controller
class TakePartController {

    private static final int LONGEST_QUESTION = 500;
    private final Attenders attenders;
    private final LiveCommands commands;
    private final Clock clock;

    TakePartController(Attenders attenders, LiveCommands commands, Clock clock) {
        this.attenders = attenders;
        this.commands = commands;
        this.clock = clock;
    }

    private Optional<Attender> there(String token) {
        return attenders.of(token).filter(who -> who.session().doorHours().at(clock.instant()) == Phase.OPEN);
    }

    private static Actor actor(Attender who) {
        return Actor.visitor(who.name());
    }

    @PostMapping("/live/{token}/ask")
    String ask(@PathVariable String token, @RequestParam(defaultValue = "") String words, RedirectAttributes flash) {
        String line = Text.oneLine(words, LONGEST_QUESTION);
        there(token).filter(who -> !line.isEmpty()).ifPresent(who -> {
            if (!commands.ask(who, line, actor(who))) {
                flash.addFlashAttribute("warned", "No more questions are taken from you before some are answered.");
            }
        });
        return "redirect:/live/" + token;
    }

    @PostMapping("/live/{token}/second")
    String second(@PathVariable String token, @RequestParam(defaultValue = "0") long question) {
        there(token).ifPresent(who -> commands.second(who, question, actor(who)));
        return "redirect:/live/" + token;
    }

    @PostMapping("/live/{token}/vote")
    String vote(
            @PathVariable String token,
            @RequestParam(defaultValue = "0") long poll,
            @RequestParam(defaultValue = "-1") int choice) {
        there(token).ifPresent(who -> commands.vote(who, poll, choice, actor(who)));
        return "redirect:/live/" + token;
    }
}
