package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.outbox.Letters;
import jollyroster.outbox.MailChannel;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
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
    private final OutboxQueries outbox;
    private final OutboxCommands commands;
    private final MailChannel mail;
    private final Letters letters;
    private final SentMail sent;
    private final OrganisationQueries organisation;
    private final Clock clock;

    OutboxController(
            OutboxQueries outbox,
            OutboxCommands commands,
            MailChannel mail,
            Letters letters,
            SentMail sent,
            OrganisationQueries organisation,
            Clock clock) {
        this.outbox = outbox;
        this.commands = commands;
        this.mail = mail;
        this.letters = letters;
        this.sent = sent;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A message in the list. @param moved what quiet hours did to it; empty for nothing */
    record Line(
            long id,
            long session,
            String at,
            String ahead,
            String what,
            String who,
            String recipient,
            String title,
            String state,
            String reason,
            String moved,
            boolean canRetry) {}

    /** Lines that say the same of several people: sent at one time, about one session. */
    record Sending(String at, String ahead, String what, String title, long session, String people, List<Line> lines) {}

    record Total(String show, String word, int messages, boolean lit) {}

    @GetMapping("/desk/outbox")
    String outbox(@RequestParam(defaultValue = "planned") String show, Model model) {
        Map<MessageState, Integer> totals = outbox.totals();
        List<Item> items = outbox.list(states(show), MOST_SHOWN);
        Map<Long, Letters.Line> people =
                letters.lines(items.stream().map(Item::registration).distinct().toList());
        model.addAttribute("show", show);
        model.addAttribute(
                "totals",
                List.of(
                        total(
                                "planned",
                                "planned",
                                totals.getOrDefault(MessageState.PLANNED, 0)
                                        + totals.getOrDefault(MessageState.SENDING, 0),
                                show),
                        total("sent", "sent", totals.getOrDefault(MessageState.SENT, 0), show),
                        total("failed", "failed", totals.getOrDefault(MessageState.FAILED, 0), show),
                        total("withdrawn", "withdrawn", totals.getOrDefault(MessageState.WITHDRAWN, 0), show)));
        List<Line> lines = items.stream().map(i -> line(i, people)).toList();
        model.addAttribute("shown", lines.size());
        model.addAttribute("sendings", together(lines));
        model.addAttribute("most", MOST_SHOWN);
        model.addAttribute("trayOnly", !mail.reachesPeople());
        return "desk/outbox";
    }

    private static List<Sending> together(List<Line> lines) {
        Map<String, List<Line>> groups = new LinkedHashMap<>();
        lines.forEach(l -> groups.computeIfAbsent(l.at() + "|" + l.what() + "|" + l.session(), key -> new ArrayList<>())
                .add(l));
        return groups.values().stream().map(OutboxController::sending).toList();
    }

    private static Sending sending(List<Line> lines) {
        Line first = lines.get(0);
        String people = lines.size() == 1 ? "one person" : lines.size() + " people";
        return new Sending(first.at(), first.ahead(), first.what(), first.title(), first.session(), people, lines);
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

    private Line line(Item item, Map<Long, Letters.Line> people) {
        ZoneId home = organisation.organisation().zone();
        Instant at = item.done().orElse(item.due());
        Optional<Letters.Line> about = Optional.ofNullable(people.get(item.registration()));
        boolean ahead = item.state() == MessageState.PLANNED && at.isAfter(clock.instant());
        return new Line(
                item.id(),
                item.session(),
                Times.dayAndTime(at, home),
                ahead ? "in " + Times.length(java.time.Duration.between(clock.instant(), at)) : "",
                MessageWords.of(item.anchor(), item.offset()),
                about.map(Letters.Line::name).orElse(""),
                item.recipient(),
                about.map(Letters.Line::title).orElse(""),
                item.state().name().toLowerCase(Locale.ROOT),
                item.reason(),
                moved(item, home),
                item.state() == MessageState.FAILED);
    }

    private static String moved(Item item, ZoneId home) {
        boolean earlier = item.state() == MessageState.PLANNED && item.due().isBefore(item.nominal());
        return earlier ? "before quiet hours, instead of " + Times.dayAndTime(item.nominal(), home) : "";
    }

    @GetMapping("/desk/outbox/{id}")
    String message(@PathVariable long id, Model model) {
        Item item = known(id);
        model.addAttribute("line", line(item, letters.lines(List.of(item.registration()))));
        model.addAttribute("subject", item.subject());
        model.addAttribute("attempts", item.attempts());
        model.addAttribute("mail", sent.byKey(item.key()).orElse(null));
        return "desk/message";
    }

    private Item known(long id) {
        return outbox.item(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private SentMail.Mail mail(long id) {
        return sent.byKey(known(id).key()).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
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
        boolean again = commands.retry(id, clock.instant(), actor);
        flash.addFlashAttribute(again ? "said" : "warned", again ? "It goes again now." : "It had not failed.");
        return "redirect:/desk/outbox";
    }
}
