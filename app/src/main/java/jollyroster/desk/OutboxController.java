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
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.MailChannel;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
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
    private final DepartureQueries departures;
    private final HeldWords holds;
    private final Clock clock;

    OutboxController(
            OutboxQueries outbox,
            DepartureCommands commands,
            MailChannel mail,
            OutboxLines lines,
            DepartureQueries departures,
            HeldWords holds,
            Clock clock) {
        this.outbox = outbox;
        this.commands = commands;
        this.mail = mail;
        this.lines = lines;
        this.departures = departures;
        this.holds = holds;
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
}
