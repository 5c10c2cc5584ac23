package jollyroster.desk;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.chart.SendLine;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Segments;
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.MailChannel;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.PlannedMailQueries;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.texting.TextLogQueries;
import jollyroster.texting.TextOutcome;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The outbox: every message, planned, sent, failed or withdrawn, and each as it would arrive. */
@DeskPage
class OutboxController {

    private static final int MOST_SHOWN = 200;
    private static final int LONGEST_SOUGHT = 100;
    private final OutboxQueries outbox;
    private final DepartureCommands commands;
    private final MailChannel mail;
    private final OutboxLines lines;
    private final List<SentMail> sent;
    private final PlannedMailQueries planned;
    private final DepartureQueries departures;
    private final HeldWords holds;
    private final TextLogQueries texts;
    private final Clock clock;

    OutboxController(
            OutboxQueries outbox,
            DepartureCommands commands,
            MailChannel mail,
            OutboxLines lines,
            List<SentMail> sent,
            PlannedMailQueries planned,
            DepartureQueries departures,
            HeldWords holds,
            TextLogQueries texts,
            Clock clock) {
        this.outbox = outbox;
        this.commands = commands;
        this.mail = mail;
        this.lines = lines;
        this.sent = List.copyOf(sent);
        this.planned = planned;
        this.departures = departures;
        this.holds = holds;
        this.texts = texts;
        this.clock = clock;
    }

    public record Total(String show, String word, int messages, boolean lit) {}

    @GetMapping("/desk/outbox")
    String outbox(
            @RequestParam(defaultValue = "planned") String show,
            @RequestParam(defaultValue = "0") long session,
            @RequestParam(defaultValue = "") String what,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        String sought = Text.oneLine(who, LONGEST_SOUGHT);
        Optional<Anchor> anchor =
                Stream.of(Anchor.values()).filter(a -> a.name().equals(what)).findFirst();
        boolean whole = session > 0 || anchor.isPresent() || !sought.isEmpty();
        List<Item> items = whole ? outbox.list(states(show), session, anchor, sought, MOST_SHOWN) : List.of();
        OutboxLines.Page shown = whole ? lines.page(items, show, page) : lines.page(states(show), show, page);
        model.addAttribute("show", show);
        model.addAttribute("who", sought);
        model.addAttribute("causes", show.equals("failed") && !whole ? causes() : List.of());
        model.addAttribute("totals", totals(show));
        model.addAttribute("shown", items.size());
        model.addAttribute("sendings", shown.sendings());
        model.addAttribute("next", shown.next());
        model.addAttribute("whole", whole);
        model.addAttribute("about", session);
        model.addAttribute("what", what);
        model.addAttribute("most", MOST_SHOWN);
        Instant now = clock.instant();
        model.addAttribute("holds", holds.inWords());
        model.addAttribute(
                "held", departures.held().map(held -> heldWords(held, now)).orElse(""));
        model.addAttribute(
                "line",
                show.equals("planned") && !whole
                        ? SendLine.of(departures.dueBefore(now.plus(SendLine.AHEAD)), now, lines.home())
                                .markup()
                        : "");
        model.addAttribute("trayOnly", !mail.reachesPeople());
        return "desk/outbox";
    }

    /** Why messages failed. @param messages how many, in words @param remedy what to do */
    public record Cause(String cause, String messages, String remedy) {}

    private List<Cause> causes() {
        return outbox.causes().entrySet().stream()
                .map(c -> new Cause(
                        c.getKey(),
                        c.getValue() == 1 ? "1 message" : c.getValue() + " messages",
                        FailureWords.remedy(c.getKey())))
                .toList();
    }

    /** Sends once more all that failed for one cause. */
    @PostMapping("/desk/outbox/retry")
    String retryAll(@RequestParam(defaultValue = "") String cause, RedirectAttributes flash, Actor actor) {
        int again = commands.retryAll(cause, actor);
        flash.addFlashAttribute(
                again > 0 ? "said" : "warned",
                again == 0 ? "None had failed for that." : again == 1 ? "1 goes again now." : again + " go again now.");
        return "redirect:/desk/outbox?show=failed";
    }

    private String heldWords(DepartureQueries.Held held, Instant now) {
        int due = departures.due(now);
        return "Held by " + held.by() + " for "
                + Times.length(Duration.between(held.since(), now).truncatedTo(ChronoUnit.MINUTES)) + "; "
                + (due == 1 ? "1 message is due." : due + " messages are due.");
    }

    private List<Total> totals(String show) {
        Map<MessageState, Integer> totals = outbox.totals();
        int planned = totals.getOrDefault(MessageState.PLANNED, 0) + totals.getOrDefault(MessageState.SENDING, 0);
        return List.of(
                total("planned", "planned", planned, show),
                total("sent", "sent", totals.getOrDefault(MessageState.SENT, 0), show),
                total("failed", "failed", totals.getOrDefault(MessageState.FAILED, 0), show),
                total("withdrawn", "withdrawn", totals.getOrDefault(MessageState.WITHDRAWN, 0), show));
    }

    private static Total total(String show, String word, int messages, String shown) {
        return new Total(show, word, messages, show.equals(shown));
    }

    private static List<MessageState> states(String show) {
        return switch (show) {
            case "sent" -> List.of(MessageState.SENT);
            case "failed" -> List.of(MessageState.FAILED);
            case "withdrawn" -> List.of(MessageState.WITHDRAWN);
            default -> List.of(MessageState.PLANNED, MessageState.SENDING);
        };
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
                .contentType(new MediaType("text", "html", java.nio.charset.StandardCharsets.UTF_8))
                .body(mail(id).html());
    }

    @GetMapping("/desk/outbox/{id}/session.ics")
    ResponseEntity<String> calendar(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", java.nio.charset.StandardCharsets.UTF_8))
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
