package jollyroster.desk;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Segments;
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.PlannedMailQueries;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.texting.TextLogQueries;
import jollyroster.texting.TextOutcome;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** One message of the outbox: as it arrived, or as it would be written now. */
@DeskPage
class OutboxMessageController {

    private final OutboxQueries outbox;
    private final DepartureCommands commands;
    private final OutboxLines lines;
    private final List<SentMail> sent;
    private final PlannedMailQueries planned;
    private final DepartureQueries departures;
    private final TextLogQueries texts;

    OutboxMessageController(
            OutboxQueries outbox,
            DepartureCommands commands,
            OutboxLines lines,
            List<SentMail> sent,
            PlannedMailQueries planned,
            DepartureQueries departures,
            TextLogQueries texts) {
        this.outbox = outbox;
        this.commands = commands;
        this.lines = lines;
        this.sent = List.copyOf(sent);
        this.planned = planned;
        this.departures = departures;
        this.texts = texts;
    }

    @GetMapping("/desk/outbox/{id}")
    String message(@PathVariable long id, Model model) {
        Item item = known(id);
        model.addAttribute("line", lines.line(item));
        model.addAttribute("subject", item.subject());
        model.addAttribute("attempts", item.attempts());
        model.addAttribute("text", textOf(item).orElse(null));
        Optional<SentMail.Mail> copy = copy(item);
        Optional<PlannedMailQueries.Planned> now = copy.isPresent() || !mayGo(item) ? Optional.empty() : planned.of(id);
        model.addAttribute(
                "mail", copy.or(() -> now.map(PlannedMailQueries.Planned::mail)).orElse(null));
        model.addAttribute("planned", now.isPresent());
        model.addAttribute("waits", OutboxLines.mayDepart(item));
        model.addAttribute("early", OutboxLines.mayGoEarly(item));
        model.addAttribute("heldAlone", departures.some().stream().anyMatch(some -> some.holds(item)));
        model.addAttribute(
                "obstacle", now.map(PlannedMailQueries.Planned::obstacle).orElse(""));
        return "desk/message";
    }

    /** A text as a phone shows it. @param parts in words @param outcome in words; empty while nothing is known */
    public record PhoneText(String number, String body, String parts, String outcome) {}

    private Optional<PhoneText> textOf(Item item) {
        if (item.channel() == Channel.EMAIL) {
            return Optional.empty();
        }
        Optional<TextLogQueries.Sent> gone =
                Optional.ofNullable(texts.sent(List.of(item.id())).get(item.id()));
        return gone.map(t -> new PhoneText(t.number(), t.body(), parts(t.parts()), TextOutcome.of(t, lines.home())))
                .or(() -> planned.of(item.id())
                        .map(p -> p.mail().text())
                        .map(body -> new PhoneText(
                                item.recipient(), body, parts(Segments.of(body).parts()), "")));
    }

    private static String parts(int parts) {
        return parts == 1 ? "1 part" : parts + " parts";
    }

    /** Whether it can still leave: then it is shown as it would be written now. */
    private static boolean mayGo(Item item) {
        return item.state() == MessageState.PLANNED
                || item.state() == MessageState.SENDING
                || item.state() == MessageState.FAILED;
    }

    private Item known(long id) {
        return outbox.item(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private Optional<SentMail.Mail> copy(Item item) {
        return sent.stream().flatMap(kept -> kept.byKey(item.key()).stream()).findFirst();
    }

    private SentMail.Mail mail(long id) {
        Item item = known(id);
        return copy(item)
                .or(() -> mayGo(item) ? planned.of(id).map(PlannedMailQueries.Planned::mail) : Optional.empty())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** The HTML part alone, shown in a frame that can run nothing. */
    @GetMapping("/desk/outbox/{id}/body.html")
    ResponseEntity<String> html(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .body(mail(id).html());
    }

    @GetMapping("/desk/outbox/{id}/session.ics")
    ResponseEntity<String> calendar(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"session.ics\"")
                .body(mail(id).calendar());
    }

    @PostMapping("/desk/outbox/{id}/retry")
    String retry(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        boolean again = commands.retry(id, actor);
        flash.addFlashAttribute(again ? "said" : "warned", again ? "It goes again now." : "It had not failed.");
        return "redirect:/desk/outbox";
    }
}
