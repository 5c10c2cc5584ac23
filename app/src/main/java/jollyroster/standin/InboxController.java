package jollyroster.standin;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.outbox.SentMail;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The mail tray the other way round: answers the last letter to an address, as whoever got it, their calendar or their mail server. */
@Controller
@ConditionalOnExpression("'${jolly.imap.host:}'.isEmpty()")
class InboxController {

    private static final int LONGEST = 2000;
    private final InboxCommands inbox;
    private final InboxLetters letters;
    private final TrayQueries tray;

    InboxController(InboxCommands inbox, InboxLetters letters, TrayQueries tray) {
        this.inbox = inbox;
        this.letters = letters;
        this.tray = tray;
    }

    @GetMapping("/standin/inbox")
    String inbox(@RequestParam(defaultValue = "") String from, Model model) {
        model.addAttribute("from", from);
        model.addAttribute(
                "letter", tray.latestTo(from.strip().toLowerCase(Locale.ROOT)).orElse(null));
        return "standin/inbox";
    }

    @PostMapping("/standin/inbox")
    String write(
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes flash) {
        String address = from.strip().toLowerCase(Locale.ROOT);
        Optional<SentMail.Mail> letter = tray.latestTo(address);
        Optional<InboxLetters.Kind> wanted = Stream.of(InboxLetters.Kind.values())
                .filter(known -> known.name().equals(kind))
                .findFirst();
        if (letter.isPresent() && wanted.isPresent()) {
            String said = words.substring(0, Math.min(words.length(), LONGEST));
            inbox.arrive(letters.write(wanted.get(), letter.get(), said));
        }
        flash.addFlashAttribute("came", letter.isPresent() && wanted.isPresent());
        flash.addAttribute("from", address);
        return "redirect:/standin/inbox";
    }
}
